/** `.Name,value,value` with \uXXXX written out. */
export function readAttribute(text: string): [name: string, values: string[]] {
  const [name = '', ...values] = text.split(',').map(unescaped);
  return [name, values];
}

const unescaped = (text: string): string =>
  text.replace(/\\u([0-9A-Fa-f]{4})/g, (_, code: string) => String.fromCharCode(parseInt(code, 16)));

/** The same inside a comment, as files for older readers have it: `G04 #@! TO.N,GND*`. */
export function attributeInComment(comment: string): { code: string; text: string } | null {
  const found = /^G0?4\s*#@!\s*(T[FAOD])(.*)$/.exec(comment);
  return found ? { code: found[1]!, text: found[2]! } : null;
}
