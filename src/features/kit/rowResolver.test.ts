import { validateResource } from '@/contract/validate';
import { demoBodies } from '@/demo/kit';
import { filledOf, rowResolver } from './rowResolver';

const body = demoBodies.ostrel.data;
const shown = (path: string) => path === 'name' || path.startsWith('cropModes');
const check = (values: object, unreadable = new Set<string>()) =>
  rowResolver('bodies', unreadable, shown, () => Promise.resolve({ validateResource }))(values, undefined, {
    fields: {},
    shouldUseNativeValidation: false,
  });

test('what was cleared is left out, with the objects it leaves empty; lists stay', () => {
  expect(
    filledOf({
      name: 'A',
      note: undefined,
      cropModes: [
        { id: 'a', pixels: { columns: undefined, rows: undefined } },
        { id: 'b', pixels: { rows: 2 } },
      ],
      videoModes: [],
    }),
  ).toEqual({ name: 'A', cropModes: [{ id: 'a' }, { id: 'b', pixels: { rows: 2 } }], videoModes: [] });
  expect(Object.keys(filledOf({ note: undefined }) as object)).toEqual([]);
});

test('a good row is handed on as it is kept', async () => {
  expect(await check({ ...body, note: undefined })).toEqual({ values: body, errors: {} });
});

test('a message stands at its field, also deep inside a list; what has no field is told at the foot', async () => {
  const { errors } = await check({
    ...body,
    name: undefined,
    cropModes: [body.cropModes[0], { id: 'x', name: 'X', factor: 99 }],
    sensor: { ...body.sensor, columns: -5 },
  });
  expect(errors).toMatchObject({
    name: { message: expect.stringContaining('Name') },
    cropModes: { 1: { factor: { message: expect.stringContaining('Crop factor') } } },
    root: { message: expect.stringContaining('olumns') },
  });
});

test('a part that checks and does not arrive is told at the foot, and asked for again at the next try', async () => {
  const load = jest
    .fn<Promise<{ validateResource: typeof validateResource }>, []>()
    .mockRejectedValueOnce(new Error('Loading module /validate.js failed.'))
    .mockResolvedValue({ validateResource });
  const resolver = rowResolver('bodies', new Set(), shown, load);
  const save = () => resolver(body, undefined, { fields: {}, shouldUseNativeValidation: false });
  const { values, errors } = await save();
  expect(values).toEqual({});
  expect(errors.root?.message).toMatch(/did not arrive. Start the server again.*what is entered stays/);
  expect(await save()).toEqual({ values: body, errors: {} });
});

test('while a field cannot be read nothing is checked or saved', async () => {
  const { errors, values } = await check(body, new Set(['cropModes.0.aspect']));
  expect(values).toEqual({});
  expect(errors.root?.message).toMatch(/cannot be read yet/);
});
