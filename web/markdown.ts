import { readFileSync } from 'node:fs';
import { dirname, resolve } from 'node:path';
import { marked } from 'marked';
import type { Plugin } from 'vite';

/** Turns a text of docs/guide into its title and HTML; its pictures go along as files. */
export function markdown(): Plugin {
  return {
    name: 'dace-markdown',
    load(id) {
      if (!id.endsWith('.md')) return null;
      const text = readFileSync(id, 'utf8');
      const title = /^# (.+)$/m.exec(text)?.[1] ?? '';
      const imports: string[] = [];
      const html = (marked.parse(text.replace(/^# .+$/m, '')) as string).replace(
        /src="([^"]+)"/g,
        (_, src: string) => {
          imports.push(resolve(dirname(id), src));
          return `loading="lazy" src="@@${imports.length - 1}"`;
        },
      );
      return [
        ...imports.map((path, at) => `import p${at} from ${JSON.stringify(path)};`),
        `const pictures = [${imports.map((_, at) => `p${at}`).join()}];`,
        `const html = ${JSON.stringify(html)}.replace(/@@(\\d+)/g, (_, at) => pictures[at]);`,
        `export default { title: ${JSON.stringify(title)}, html };`,
      ].join('\n');
    },
  };
}
