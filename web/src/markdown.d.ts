/** A text of docs/guide: its title, and its body as HTML made when Dace is built. */
declare module '*.md' {
  const page: { title: string; html: string };
  export default page;
}
