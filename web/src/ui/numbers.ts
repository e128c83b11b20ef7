/** A number as people type it, comma or point; null where nothing stands, undefined where it is none. */
export function typedNumber(text: string | undefined): number | null | undefined {
  const plain = (text ?? '').trim().replace(',', '.');
  if (!plain) return null;
  const value = Number(plain);
  return Number.isFinite(value) ? value : undefined;
}
