/** @jest-environment jsdom */
import { renderHook } from '@testing-library/react';
import { useBackCloses } from './back';

/** Goes back as a thumb does, and waits until the browser has. */
const back = () =>
  new Promise<void>((done) => {
    window.addEventListener('popstate', () => setTimeout(done, 5), { once: true });
    window.history.back();
  });
const here = () => window.location.pathname;
const goTo = (path: string) => window.history.pushState({ id: path }, '', path);

describe('the phone’s back', () => {
  it('closes the sheet that is open and leaves the page where it is', async () => {
    goTo('/one');
    goTo('/two');
    const closed = jest.fn();
    const sheet = renderHook(() => useBackCloses(closed));
    expect(window.history.state).toMatchObject({ id: '/two', sheet: true });
    await back();
    expect([closed.mock.calls.length, here()]).toEqual([1, '/two']);
    sheet.unmount();
    await back();
    expect(here()).toBe('/one');
  });

  it('closes it also where the router writes the entry anew before we hear of it, as it does in the browser', async () => {
    goTo('/eight');
    const router = () => window.history.replaceState({ id: '/eight' }, '');
    window.addEventListener('popstate', router, { capture: true });
    const closed = jest.fn();
    const sheet = renderHook(() => useBackCloses(closed));
    await back();
    window.removeEventListener('popstate', router, { capture: true });
    expect([closed.mock.calls.length, here()]).toEqual([1, '/eight']);
    sheet.unmount();
  });

  it('of two sheets closes the upper one first', async () => {
    goTo('/three');
    const [lower, upper] = [jest.fn(), jest.fn()];
    const under = renderHook(() => useBackCloses(lower));
    const over = renderHook(() => useBackCloses(upper));
    await back();
    over.unmount();
    expect([upper.mock.calls.length, lower.mock.calls.length]).toEqual([1, 0]);
    await back();
    under.unmount();
    expect([lower.mock.calls.length, here()]).toEqual([1, '/three']);
  });

  it('takes one press where a sheet was closed by its sign, also after a page that was opened from it', async () => {
    goTo('/four');
    goTo('/five');
    renderHook(() => useBackCloses(jest.fn())).unmount();
    goTo('/six');
    await back();
    expect(here()).toBe('/five');
    await back();
    await new Promise((done) => setTimeout(done, 30));
    expect(here()).toBe('/four');
  });

  it('leaves alone a sheet that the address opens', () => {
    goTo('/seven');
    renderHook(() => useBackCloses(jest.fn(), true));
    expect(window.history.state).toEqual({ id: '/seven' });
  });
});
