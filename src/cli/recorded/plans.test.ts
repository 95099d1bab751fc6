import { compareWithRecords } from './compare';

compareWithRecords('plans');
