import { newId } from './new-id';

describe('an id', () => {
  const FORM = /^[0-9a-f]{8}-[0-9a-f]{4}-4[0-9a-f]{3}-[89ab][0-9a-f]{3}-[0-9a-f]{12}$/;
  it('is new each time, also where the browser makes none by itself', () => {
    expect(newId()).toMatch(FORM);
    const own = crypto.randomUUID;
    Object.defineProperty(crypto, 'randomUUID', { value: undefined, configurable: true });
    const made = Array.from({ length: 50 }, newId);
    Object.defineProperty(crypto, 'randomUUID', { value: own, configurable: true });
    for (const id of made) expect(id).toMatch(FORM);
    expect(new Set(made).size).toBe(50);
  });
});
