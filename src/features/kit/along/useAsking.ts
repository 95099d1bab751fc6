import { useState } from 'react';
import { ApiRefusal, ApiUnreachable } from '@/data/api';

/** Asks the server for something, and keeps what it says when it will not or cannot. */
export function useAsking(): { problem: string | null; ask: (work: () => Promise<unknown>) => Promise<void> } {
  const [problem, setProblem] = useState<string | null>(null);
  const ask = async (work: () => Promise<unknown>) => {
    setProblem(null);
    try {
      await work();
    } catch (error) {
      if (!(error instanceof ApiRefusal) && !(error instanceof ApiUnreachable)) throw error;
      setProblem(error.message);
    }
  };
  return { problem, ask };
}
