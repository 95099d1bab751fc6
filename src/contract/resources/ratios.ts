import { ratioSchema, type Ratio } from '../schemas/ratio';
import { resource } from './resource';

export const ratios = resource<Ratio>({ schema: ratioSchema, noun: 'measured ratio', plural: 'Measured ratios' });
