import { compareWithRecords } from './compare';

compareWithRecords('farPages');
