declare global {
  namespace App {}
}
declare module '*.kymation?url' {
  const url: string;
  export default url;
}
export {};
