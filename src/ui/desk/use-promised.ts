import { useState } from 'react';

/**
 * The day the planner was asked for at the counter and the customer was told, with the chance it had.
 * @param onDay puts the day into its field
 */
export function usePromised(onDay: (day: string) => void) {
  const [promised, setPromised] = useState<{ readonly day: string; readonly chance: number } | null>(null);
  return {
    promise: (day: string, chance: number) => {
      setPromised({ day, chance });
      onDay(day);
    },
    /** what goes along with the job, if that is still its day */
    promisedBy: (day: string) => (promised?.day === day ? { promisedChance: promised.chance } : {}),
  };
}
