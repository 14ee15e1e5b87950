declare module '*.html' {
  const text: string;
  export default text;
}
declare module '*.script.js' {
  const text: string;
  export default text;
}
