import { createRouter } from 'sv-router';
import { useWay } from './way';
import BenchPage from '../desks/bench/BenchPage.svelte';
import NowherePage from '../desks/coming/NowherePage.svelte';
import RoundPage from '../desks/round/RoundPage.svelte';
import NotebookPage from '../desks/notebook/NotebookPage.svelte';

const { navigate, route } = createRouter({
  '/': RoundPage,
  '/round': RoundPage,
  '/bench': BenchPage,
  '/walk': () => import('../desks/round/WalkPage.svelte'),
  '/shelf': () => import('../desks/shelf/ShelfPage.svelte'),
  '/shelf/begin': () => import('../desks/shelf/StartBrew.svelte'),
  '/shelf/brew': () => import('../desks/shelf/BrewPage.svelte'),
  '/shelf/jar': () => import('../desks/shelf/JarPage.svelte'),
  '/shelf/heap': () => import('../desks/solids/HeapPage.svelte'),
  '/heap': () => import('../desks/solids/SolidsPage.svelte'),
  '/season': () => import('../desks/season/SeasonPage.svelte'),
  '/learned': () => import('../desks/year/LearnedPage.svelte'),
  '/year': () => import('../desks/year/YearPage.svelte'),
  '/season/planting': () => import('../desks/season/PlantingPage.svelte'),
  '/place': () => import('../desks/place/PlacePage.svelte'),
  '/roots': () => import('../desks/place/RootsPage.svelte'),
  '/pen': () => import('../desks/place/PenPage.svelte'),
  '/signs': () => import('../desks/looks/SignsPage.svelte'),
  '/trials': () => import('../desks/trials/TrialsPage.svelte'),
  '/trial': () => import('../desks/trials/TrialPage.svelte'),
  '/notebook': NotebookPage,
  '/exchange': () => import('../desks/exchange/ExchangePage.svelte'),
  '/help': () => import('../desks/help/HelpPage.svelte'),
  '/setup': () => import('../desks/setup/SetupPage.svelte'),
  '*': NowherePage,
});

useWay(navigate);

export { route };
