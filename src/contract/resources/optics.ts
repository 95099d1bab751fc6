import { partChecks } from '../partChecks';
import { opticSchema, type Optic } from '../schemas/optic';
import { resource } from './resource';

export const optics = resource<Optic>({ schema: opticSchema, noun: 'optic', plural: 'Optics', check: partChecks });
