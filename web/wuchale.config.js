// Which strings are texts for people: they stand in src/texts, and are put in from there.
import { adapter as svelte, svelteDefaultHeuristic } from '@wuchale/svelte';
import { defineConfig, pofile } from 'wuchale';
import { adapter as plain } from 'wuchale/adapter-vanilla';

const DRAWN = /^[MmLlHhVvCcSsQqTtAaZz0-9 .,-]+$/;
const SENTENCE = /^[a-z][^/{}<>=_]* [a-z(]/;
const SELECTS = ['querySelector', 'querySelectorAll', 'closest', 'matches'];
const NAMES = [
  'unit a can',
  'unit a volume',
  'a[href], button, input, select, textarea, summary, [tabindex="0"]',
];

/** A text: what begins like one, and in scripts whatever has words with a space between. */
function text(message) {
  const { scope, file, exported, attribute, call } = message.details;
  const said = message.msgStr.join('');
  if (DRAWN.test(said) || attribute === 'class' || attribute === 'style') return false;
  if (SELECTS.some((one) => call?.endsWith(one)) || NAMES.includes(said)) return false;
  if (scope === 'script' && !/[a-z]{2}/.test(said)) return false; // Mg, MgO: keys rather than words
  if (file.endsWith('.svelte.ts') && exported) return false; // no module lets a derived value out
  return (
    svelteDefaultHeuristic(message) || (scope === 'script' && SENTENCE.test(said) && 'message')
  );
}

const inFunction = ({ details }) => details.funcName != null;

export default defineConfig({
  locales: ['en'],
  ai: null,
  localesDir: 'src/texts',
  adapters: {
    svelte: svelte({
      loader: 'svelte',
      bundleLoad: true,
      heuristic: text,
      files: {
        include: ['src/**/*.svelte', 'src/**/*.svelte.ts'],
        ignore: [
          'src/app/away/installed.svelte.ts',
          'src/desks/looks/looks.svelte.ts',
          'src/drawings/plants/DrawingSheet.svelte',
        ],
      },
    }),
    // in modules without runes, those inside functions
    modules: plain({
      loader: 'bundle',
      bundleLoad: true,
      storage: pofile({ dir: 'src/texts/modules' }),
      heuristic: (message) => inFunction(message) && text(message),
      files: {
        include: ['src/**/*.ts'],
        ignore: [
          'src/**/*.svelte.ts',
          'src/**/*.d.ts',
          'src/api/**',
          'src/drawings/**',
          'src/sw.ts',
          'src/main.ts',
        ],
      },
    }),
  },
});
