import { sayFailure } from './say-failure.ts';

test.each([
  [
    { words: 'a command failed', name: 'readings.save', why: 'database' },
    'A change of readings was not kept; the tablet said so and kept what was typed. The database was away or refused.',
  ],
  [
    { words: 'a request failed', name: '/(house)/job/[number]/hand-over', why: 'program' },
    'The page “Hand over” could not be shown. It is a fault of the program.',
  ],
  [
    { words: 'a request failed', name: '/api/job/[number]/plan', why: 'program' },
    'Something that “Plan” asked for did not come. It is a fault of the program.',
  ],
  [
    { words: 'a screen failed', name: '/job/408/readings', why: 'program' },
    'The page “Readings” failed on a tablet. It is a fault of the program.',
  ],
  [
    { words: 'the plan of the week could not be kept', name: '', why: 'database' },
    'The plan of the week could not be kept. The database was away or refused.',
  ],
  [
    { words: 'messages could not be sent', name: '', why: 'machine' },
    'Messages could not be sent. The machine refused, its disk for instance, or a line out of the house did.',
  ],
] as const)('%o', (failure, says) => {
  expect(sayFailure(failure)).toBe(says);
});
