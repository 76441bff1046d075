import { useState } from "react";

/** What is being done of what takes long; null while nothing is. */
export function useFollowed() {
  const [step, setStep] = useState<string | null>(null);
  return {
    step,
    /** Does the work, and forgets its steps when it is over. */
    async follow<T>(work: (onStep: (words: string) => void) => Promise<T>): Promise<T> {
      try {
        return await work(setStep);
      } finally {
        setStep(null);
      }
    },
  };
}
