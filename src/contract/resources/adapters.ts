import { partChecks } from '../partChecks';
import { adapterSchema, type Adapter } from '../schemas/adapter';
import { resource } from './resource';

export const adapters = resource<Adapter>({
  schema: adapterSchema,
  noun: 'adapter',
  plural: 'Adapters',
  check: partChecks,
});
