import { compareWithRecords } from './compare';

compareWithRecords('sky');
