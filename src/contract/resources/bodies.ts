import { bodySchema, type Body } from '../schemas/body';
import { resource } from './resource';

export const bodies = resource<Body>({ schema: bodySchema, noun: 'body', plural: 'Bodies' });
