import type { BriefSummary } from '../api/client';

/** The brief that the open page works for, shown in the top bar. */
export const current = $state<{ brief: BriefSummary | null }>({ brief: null });
