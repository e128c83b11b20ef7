/** A file as the body itself: nothing is wrapped around it. */
export const asItIs = (file: File) => ({
  body: file as unknown as string, // the description says "binary"
  bodySerializer: (body: unknown) => body as BodyInit,
  headers: { 'Content-Type': file.type || 'application/octet-stream' },
});
