import { mount } from 'svelte';
import '../../styles/base.css';
import Sheet from './DrawingSheet.svelte';

const target = document.getElementById('app');
if (target) mount(Sheet, { target });
