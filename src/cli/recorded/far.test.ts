import { compareWithRecords } from './compare';

compareWithRecords('far');
