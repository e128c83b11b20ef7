import { createRouter } from 'sv-router';
import BenchPage from '../desks/bench/BenchPage.svelte';
import ComingDesk from '../desks/coming/ComingDesk.svelte';
import NotebookPage from '../desks/notebook/NotebookPage.svelte';
import SetupPage from '../desks/setup/SetupPage.svelte';

export const { p, navigate, isActive, route } = createRouter({
  '/': BenchPage,
  '/round': ComingDesk,
  '/bench': BenchPage,
  '/shelf': ComingDesk,
  '/season': ComingDesk,
  '/notebook': NotebookPage,
  '/setup': SetupPage,
  '*': ComingDesk,
});

export const DESKS = [
  { path: '/round', name: 'Round' },
  { path: '/bench', name: 'Bench' },
  { path: '/shelf', name: 'Shelf' },
  { path: '/season', name: 'Season' },
  { path: '/notebook', name: 'Notebook' },
] as const;

export type DeskPath = (typeof DESKS)[number]['path'] | '/setup';
