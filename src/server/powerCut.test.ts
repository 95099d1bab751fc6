import { afterPowerCut, type IoStep } from '../../torture/ioReplay';

const step = (kind: IoStep['kind'], name: string, offset = 0, text = ''): IoStep => ({
  kind,
  atNs: 0n,
  name,
  offset,
  bytes: Buffer.from(text),
});
const texts = (files: Map<string, Buffer>) =>
  Object.fromEntries([...files].map(([name, bytes]) => [name, bytes.toString()]));
/** 0.1 lets everything arrive that was not synced, 0.4 nothing. */
const [all, none] = [() => 0.1, () => 0.4];

describe('the disk after a power cut', () => {
  it('holds what was synced, and any part of the rest', () => {
    const steps = [
      step('write', '/d/a', 0, 'abcdef'),
      step('sync', '/d/a'),
      step('write', '/d/a', 2, 'XY'),
      step('truncate', '/d/a', 5),
    ];
    expect(texts(afterPowerCut(steps, none))).toEqual({ '/d/a': 'abcdef' });
    expect(texts(afterPowerCut(steps, all))).toEqual({ '/d/a': 'abXYe' });
    expect(texts(afterPowerCut(steps.slice(0, 1), none))).toEqual({ '/d/a': '' });
  });

  it('has the new name of a file for sure once its folder was synced', () => {
    const steps = [step('write', '/d/a', 0, 'one'), step('sync', '/d/a'), step('rename', '/d/a', 0, '/d/b')];
    expect(texts(afterPowerCut(steps, () => 0))).toEqual({ '/d/a': 'one' });
    expect(texts(afterPowerCut(steps, () => 0.99))).toEqual({ '/d/b': 'one' });
    expect(texts(afterPowerCut([...steps, step('sync', '/d')], none))).toEqual({ '/d/b': 'one' });
  });

  it('may have a deleted file again', () => {
    const steps = [step('write', '/d/a', 0, 'one'), step('sync', '/d/a'), step('unlink', '/d/a')];
    expect(texts(afterPowerCut(steps, () => 0))).toEqual({ '/d/a': 'one' });
    expect(texts(afterPowerCut([...steps, step('sync', '/d')], all))).toEqual({});
    // A new file under the name is another file.
    expect(texts(afterPowerCut([...steps, step('sync', '/d'), step('write', '/d/a', 0, 'two')], all))).toEqual({
      '/d/a': 'two',
    });
  });

  it('grows with zeros where nothing was written', () => {
    expect([...afterPowerCut([step('write', '/d/a', 2, 'x'), step('sync', '/d/a')], none).get('/d/a')!]).toEqual([
      0, 0, 120,
    ]);
    expect([
      ...afterPowerCut(
        [
          step('write', '/d/a', 0, 'xyz'),
          step('truncate', '/d/a', 1),
          step('truncate', '/d/a', 3),
          step('sync', '/d/a'),
        ],
        none,
      ).get('/d/a')!,
    ]).toEqual([120, 0, 0]);
  });
});
