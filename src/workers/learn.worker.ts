import { learn, type Evidence, type Judged, type Learned } from '@/core/learned/learn';
import { onAsked, teller } from './talk';

const tell = teller<Learned>();

onAsked<{ groups: Judged[]; evidence: Evidence }>(({ groups, evidence }) => tell(learn(groups, evidence)));
