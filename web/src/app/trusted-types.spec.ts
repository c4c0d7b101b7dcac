import { afterEach, expect, it, vi } from 'vitest';

type Rules = Record<string, ((text: string) => string) | undefined>;

afterEach(() => {
  vi.unstubAllGlobals();
  vi.resetModules();
});

/** The policies that are made, by their names, in a browser that knows trusted types. */
async function policies(): Promise<Map<string, Rules>> {
  const made = new Map<string, Rules>();
  vi.stubGlobal('trustedTypes', { createPolicy: (name: string, rules: Rules) => (made.set(name, rules), rules) });
  vi.stubGlobal('location', new URL('https://lemniscus.test:4600/make/1/work'));
  vi.resetModules();
  const { trustLibraries } = await import('./trusted-types');
  trustLibraries();
  return made;
}

it('let through what libraries need and nothing that could act', async () => {
  const rules = (await policies()).get('default')!;
  const html = rules['createHTML']!;
  for (const taken of ['', '.wave { color: red; }', '<svg viewBox="0 0 1 1"><path d="M0 0"/></svg>'])
    expect(html(taken)).toBe(taken);
  for (const refused of [
    '<img src=x onerror=alert(1)>',
    '<b>bold</b>',
    '<svg><script>alert(1)</script></svg>',
    '<svg onload="alert(1)"></svg>',
    '<svg><a href="javascript:alert(1)">x</a></svg>',
    '<svg><foreignObject><p>x</p></foreignObject></svg>',
  ])
    expect(() => html(refused), refused).toThrow(TypeError);
  const script = rules['createScriptURL']!;
  expect(script('/worker-ABCD1234.js')).toBe('/worker-ABCD1234.js');
  expect(() => script('https://elsewhere.test/worker.js')).toThrow(TypeError);
  expect(() => script('data:text/javascript,alert(1)')).toThrow(TypeError);
});

it('paint drawings as text and nothing else', async () => {
  const made = await policies();
  const html = made.get('lemniscus')!['createHTML']!;
  for (const drawn of ['', '<svg viewBox="0 0 1 1"></svg>', '<circle r="1"/><circle r="2"/>']) expect(html(drawn)).toBe(drawn);
  expect(() => html('<p>words</p>')).toThrow(TypeError);
  const { paintInto } = await import('../drawing/painted');
  const element = { innerHTML: '' };
  paintInto(element as Element, '<svg></svg>');
  expect(element.innerHTML).toBe('<svg></svg>');
});

it('are left alone by browsers that do not know them', async () => {
  vi.stubGlobal('trustedTypes', undefined);
  vi.resetModules();
  const { trustLibraries } = await import('./trusted-types');
  expect(() => trustLibraries()).not.toThrow();
});
