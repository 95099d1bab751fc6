import { compareWithRecords } from './compare';

compareWithRecords('night');
