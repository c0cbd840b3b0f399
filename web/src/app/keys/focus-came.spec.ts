import { FocusCame } from './focus-came';

describe('how the focus came', () => {
  let gone: AbortController;
  let came: FocusCame;
  const button = () => document.body.appendChild(document.createElement('button'));
  const key = (name: string) => document.body.dispatchEvent(new KeyboardEvent('keydown', { key: name, bubbles: true }));
  const click = (e: HTMLElement) => {
    e.dispatchEvent(new MouseEvent('mousedown', { bubbles: true }));
    e.focus();
  };
  beforeEach(() => {
    gone = new AbortController();
    came = new FocusCame(document, gone.signal);
  });
  afterEach(() => {
    gone.abort();
    document.body.replaceChildren();
  });
  it('is told from the act before it, not from the key that asks', () => {
    const [a, b, c] = [button(), button(), button()];
    click(a);
    key(' ');
    expect(came.to(a)).toBe('pointer');
    key('Tab');
    b.focus();
    key(' ');
    expect(came.to(b)).toBe('tab');
    key('f');
    c.focus();
    expect(came.to(c)).toBe('key');
  });
  it('arrows walk on from where Tab led, and only from there', () => {
    const [a, b] = [button(), button()];
    key('Tab');
    key('ArrowRight');
    a.focus();
    expect(came.to(a)).toBe('tab');
    click(b);
    key('ArrowRight');
    a.blur();
    key('x');
    b.blur();
    b.focus();
    expect(came.to(b)).toBe('key');
  });
  it('what Tab led to and was clicked then is the pointer’s', () => {
    const a = button();
    key('Tab');
    a.focus();
    click(a);
    expect(came.to(a)).toBe('pointer');
  });
  it('given by the program after the pointer was elsewhere, it is the program’s, and what it was where it was', () => {
    const [a, b] = [button(), button()];
    a.dispatchEvent(new MouseEvent('mousedown', { bubbles: true }));
    b.focus();
    expect(came.to(b)).toBe('program');
    a.dispatchEvent(new MouseEvent('mousedown', { bubbles: true }));
    b.blur();
    b.focus();
    expect(came.to(b)).toBe('program');
    click(a);
    b.dispatchEvent(new MouseEvent('mousedown', { bubbles: true }));
    a.focus();
    expect(came.to(a)).toBe('pointer');
  });
  it('a focus that is given back is what it was', () => {
    const [a, inDialog] = [button(), button()];
    key('Tab');
    a.focus();
    key('Enter');
    inDialog.focus();
    key('Escape');
    a.focus();
    expect(came.to(a)).toBe('tab');
  });
});
