/** One instance of a compiled kernel from its bytes in base64. A kernel imports nothing: it has no platform of its own. */
export function instanceOf(base64: string): WebAssembly.Exports {
  const bytes = Uint8Array.from(atob(base64), (letter) => letter.charCodeAt(0));
  return new WebAssembly.Instance(new WebAssembly.Module(bytes)).exports;
}
