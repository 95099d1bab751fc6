import { compareWithRecords } from './compare';

compareWithRecords('kit');
