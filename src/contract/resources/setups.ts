import { setupSchema, type Setup } from '../schemas/setup';
import { resource } from './resource';

export const setups = resource<Setup>({
  schema: setupSchema,
  noun: 'set-up',
  plural: 'Set-ups',
  check: (setup) =>
    setup.chain.some((link) => link.type === 'optic')
      ? []
      : [{ path: 'chain', message: 'This set-up has no lens. Add one to get a picture.' }],
  columns: { bodyId: { name: 'body_id', type: 'TEXT', of: (setup) => setup.bodyId } },
});
