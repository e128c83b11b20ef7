import { mount } from 'svelte';
import App from './app/App.svelte';
import './styles/base.css';

const target = document.getElementById('app');
if (target) mount(App, { target });
