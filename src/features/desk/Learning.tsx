import { useLearning } from '@/data/own/useLearning';

/** Learns from the Book for as long as it is there; shows nothing itself. */
export default function Learning() {
  useLearning();
  return null;
}
