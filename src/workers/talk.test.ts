import { onAsked, teller } from './talk';

type Listener = (event: { data: string }) => void;

describe('what a worker and the page tell each other', () => {
  const scope = globalThis as unknown as Record<string, unknown>;
  let listener: Listener = () => undefined;
  beforeEach(() => {
    scope.addEventListener = (_: string, told: Listener) => (listener = told);
    scope.postMessage = jest.fn();
  });
  afterEach(() => {
    jest.useRealTimers();
    Reflect.deleteProperty(scope, 'addEventListener');
    Reflect.deleteProperty(scope, 'postMessage');
  });

  it('goes both ways, with what is handed over', () => {
    const asked: string[] = [];
    onAsked<string>((each) => void asked.push(each));
    listener({ data: 'one' });
    listener({ data: 'two' });
    expect(asked).toEqual(['one', 'two']);
    const [tell, memory] = [teller<string>(), new ArrayBuffer(1)];
    tell('three', [memory]);
    expect(scope.postMessage).toHaveBeenCalledWith('three', { transfer: [memory] });
  });

  it('is heard as an error of the worker where an answer breaks off later', async () => {
    jest.useFakeTimers();
    onAsked<string>(() => Promise.reject(new Error('the card is gone')));
    listener({ data: 'one' });
    await Promise.resolve();
    await Promise.resolve();
    expect(() => jest.runAllTimers()).toThrow('the card is gone');
  });

  it('throws at once where an answer breaks off at once', () => {
    onAsked<string>(() => {
      throw new Error('at once');
    });
    expect(() => listener({ data: 'one' })).toThrow('at once');
  });
});
