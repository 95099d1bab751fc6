import { outputSchema, type Output } from '../schemas/output';
import { resource } from './resource';

export const outputs = resource<Output>({ schema: outputSchema, noun: 'output', plural: 'Outputs' });
