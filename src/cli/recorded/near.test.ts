import { compareWithRecords } from './compare';

compareWithRecords('near');
