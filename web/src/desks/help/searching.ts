/** The guide, looked through by its sentences. */

/** Where words that are looked for stand: the page, and the sentence. */
export interface Hit {
  page: number;
  title: string;
  sentence: string;
}

const MOST = 12;

/** Sentences of the guide with every word that was typed, in the order of its pages. */
export function searched(pages: readonly { title: string; html: string }[], typed: string): Hit[] {
  const words = typed.toLowerCase().split(/\s+/).filter(Boolean);
  if (words.join('').length < 2) return [];
  const hits = pages.flatMap(({ title, html }, index) => {
    const text = html
      .replace(/<[^>]+>/g, ' ')
      .replace(/&quot;/g, '"')
      .replace(/&#39;/g, '’')
      .replace(/&amp;/g, '&')
      .replace(/\s+/g, ' ');
    return (text.match(/[^.?]+[.?]*/g) ?? [])
      .map((sentence) => sentence.trim())
      .filter((sentence) =>
        words.every((word) => `${title} ${sentence}`.toLowerCase().includes(word)),
      )
      .map((sentence) => ({ page: index + 1, title, sentence }));
  });
  return hits.slice(0, MOST);
}
