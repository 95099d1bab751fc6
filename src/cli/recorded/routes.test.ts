import { compareWithRecords } from './compare';

compareWithRecords('routes');
