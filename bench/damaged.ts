export const utf8 = new TextEncoder();
export const textOf = (bytes: Uint8Array) => new TextDecoder().decode(bytes);

type Below = (count: number) => number;

/** Values that have no place where they are put; each is JSON text, since JSON can say more than a number can hold. */
const HOSTILE = [
  ...[
    'null',
    'true',
    '-1',
    '0',
    '67.5',
    '1e308',
    '1e999',
    '-1e999',
    '1e-300',
    '5e5',
    '""',
    '"x"',
    '[]',
    '{}',
    '[null]',
  ],
  ...['"<script>alert(1)</script>"', '"\\u0000"', '{"__proto__":{"x":1}}', '"2026-99-99T99:99:99Z"', '[[[[[[1]]]]]]'],
  `"${'long '.repeat(2000)}"`,
  `${'['.repeat(6000)}${']'.repeat(6000)}`,
];
const MARK = 'put the hostile value here';

/** A JSON text with one to three of its values changed, left out, doubled or swapped for another's. */
export function damagedJson(text: string, below: Below): string {
  const root = { value: JSON.parse(text) as unknown };
  const hostile: string[] = [];
  for (let times = 1 + below(3); times > 0; times--) {
    let [holder, key] = [root as Record<string, unknown>, 'value'];
    while (below(8) > 0) {
      const inner = holder[key];
      if (typeof inner !== 'object' || inner === null || Object.keys(inner).length === 0) break;
      holder = inner as Record<string, unknown>;
      const keys = Object.keys(inner);
      key = keys[below(keys.length)]!;
    }
    const kind = below(6);
    if (kind === 0) Reflect.deleteProperty(holder, key);
    else if (kind === 1 && Array.isArray(holder)) holder.push(structuredClone(holder[0]));
    else if (kind === 2) holder[`${key}x`] = holder[key];
    else {
      hostile.push(HOSTILE[below(HOSTILE.length)]!);
      holder[key] = `${MARK} ${hostile.length - 1}`;
    }
  }
  return JSON.stringify(root.value ?? null).replace(
    new RegExp(`"${MARK} (\\d+)"`, 'g'),
    (_, at) => hostile[at as number]!,
  );
}

/** Bytes cut off, changed, put in or doubled, at one to four places. */
export function damagedBytes(whole: Uint8Array, below: Below): Uint8Array {
  let bytes = Array.from(whole);
  for (let times = 1 + below(4); times > 0; times--) {
    const at = below(bytes.length + 1);
    const kind = below(5);
    if (kind === 0) bytes = bytes.slice(0, at);
    else if (kind === 1) bytes.splice(at, below(40));
    else if (kind === 2) bytes.splice(at, 0, ...Array.from({ length: 1 + below(8) }, () => below(256)));
    else if (kind === 3) bytes.splice(at, 0, ...bytes.slice(at, at + below(200)));
    else
      for (let i = 1 + below(4); i > 0 && bytes.length > 0; i--)
        bytes[below(bytes.length)] = [0, 255, below(256)][below(3)]!;
  }
  return Uint8Array.from(bytes);
}
