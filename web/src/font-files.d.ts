/** Where a font’s file lies. */
declare module '*.woff' {
  const url: string;
  export default url;
}
declare module '*.otf' {
  const url: string;
  export default url;
}
