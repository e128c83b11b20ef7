const GROUPED = /^-?[1-9]\d{0,2}(,\d{3})+(\.\d+)?$/;

/**
 * A number as people type it, comma or point; null where nothing stands, undefined where it is
 * none. A comma before three digits parts thousands.
 */
export function typedNumber(text: string | undefined): number | null | undefined {
  const typed = (text ?? '').trim();
  const plain = GROUPED.test(typed) ? typed.replaceAll(',', '') : typed.replace(',', '.');
  if (!plain) return null;
  const value = Number(plain);
  return Number.isFinite(value) ? value : undefined;
}
