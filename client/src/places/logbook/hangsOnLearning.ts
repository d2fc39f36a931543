/** What is read again when something was logged, mended or left out: every colour is predicted with what the logbook has taught. */
export const hangsOnLearning = [
  'log-entries',
  'log-next',
  'taught',
  'jar',
  'materials',
  'material',
  'mixing-table',
  'look',
  'flower',
  'commissions',
  'bench',
  'paste-day',
]
