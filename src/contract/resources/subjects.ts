import { subjectSchema, type Subject } from '../schemas/subject';
import { resource } from './resource';

export const subjects = resource<Subject>({ schema: subjectSchema, noun: 'subject', plural: 'Subjects' });
