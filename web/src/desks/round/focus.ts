/** The rows that can be ticked and are not, as they stand on the page. */
const open = () =>
  [...document.querySelectorAll<HTMLButtonElement>('#desk .tick:enabled')].filter(
    (row) => row.getAttribute('aria-pressed') !== 'true',
  );

/** The next row to tick after one that was just ticked: whoever goes by keys goes on there. */
export function toNextTick(from: HTMLElement): void {
  const rows = open();
  const after = rows.find(
    (row) => from !== row && from.compareDocumentPosition(row) & Node.DOCUMENT_POSITION_FOLLOWING,
  );
  after?.focus({ preventScroll: false });
}

/** The first row to tick, where nothing else has the focus yet. */
export function toFirstTick(): void {
  const held = document.activeElement;
  if (held && held !== document.body && held.id !== 'desk') return;
  open()[0]?.focus({ preventScroll: true });
}
