/// <reference types="svelte" />
/// <reference types="vite/client" />
declare module '*.md?raw' {
  const text: string;
  export default text;
}
