/** Tables that hang on an attempt, in the order in which they can be emptied before it goes itself. */
export const OF_ATTEMPTS = [
  'mark_log',
  'marks',
  'settled_marks',
  'late_answers',
  'test_results',
  'item_results',
  'item_sessions',
  'responses',
  'snapshots',
  'events',
  'devices',
] as const;
