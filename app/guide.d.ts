/** docs/guide.md as the bundler makes it: HTML. */
declare module '#docs/guide.md' {
  const html: string
  export default html
}
