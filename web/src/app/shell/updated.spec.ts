import { isUpdated } from './updated';

describe('another build on the server', () => {
  const page = (name: string) => {
    const own = document.implementation.createHTMLDocument();
    own.head.innerHTML = `<script src="${name}.js" type="module"></` + 'script>';
    return own;
  };
  const serves = (answer: () => Promise<Response>) => vi.spyOn(globalThis, 'fetch').mockImplementation(answer);
  afterEach(() => vi.restoreAllMocks());
  const html = (name: string) => () =>
    Promise.resolve(new Response(`<script src="${name}.js" type="module"></` + 'script>'));

  it('is known by the name of its first script', async () => {
    serves(html('main-BBBBBBBB'));
    expect(await isUpdated(page('main-AAAAAAAA'))).toBe(true);
    expect(await isUpdated(page('main-BBBBBBBB'))).toBe(false);
  });
  it('is not claimed without a connection, or where names say nothing', async () => {
    serves(() => Promise.reject(new TypeError('no connection')));
    expect(await isUpdated(page('main-AAAAAAAA'))).toBe(false);
    serves(html('main'));
    expect(await isUpdated(page('main-AAAAAAAA'))).toBe(false);
    expect(await isUpdated(page('main'))).toBe(false);
  });
});
