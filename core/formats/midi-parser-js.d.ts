declare module 'midi-parser-js' {
  const parser: { parse(bytes: Uint8Array): unknown };
  export default parser;
}
