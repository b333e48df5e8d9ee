import { fetchBeforehand } from './beforehand';

const idle = (run: () => void) => {
  run();
  return 0;
};

describe('what is fetched before it is asked for', () => {
  beforeEach(() => Object.assign(globalThis, { requestIdleCallback: idle }));
  afterEach(() => Reflect.deleteProperty(globalThis, 'requestIdleCallback'));

  it('is every piece, and one that cannot be had stops no other', async () => {
    const second = jest.fn(async () => undefined);
    fetchBeforehand([() => Promise.reject(new Error('gone')), second], {});
    await Promise.resolve();
    expect(second).toHaveBeenCalledTimes(1);
  });

  it('is nothing where the browser is to save data', () => {
    const piece = jest.fn(async () => undefined);
    fetchBeforehand([piece], { connection: { saveData: true } });
    expect(piece).not.toHaveBeenCalled();
  });

  it('waits a while in a browser that tells nothing of its idle time', () => {
    Reflect.deleteProperty(globalThis, 'requestIdleCallback');
    jest.useFakeTimers();
    const piece = jest.fn(async () => undefined);
    fetchBeforehand([piece], {});
    expect(piece).not.toHaveBeenCalled();
    jest.runAllTimers();
    expect(piece).toHaveBeenCalledTimes(1);
    jest.useRealTimers();
  });
});
