/** What its owner can be asked. */
export const QUESTIONS = {
  where: 'Where does it bother you?',
  since: 'Since when?',
  worked: 'Has anybody worked on it?',
  lives: 'Where is it kept?',
  strings: 'Which strings are on, and since when?',
  plays: 'How do you play?',
} as const;
export type QuestionId = keyof typeof QUESTIONS;
export const QUESTION_IDS = Object.keys(QUESTIONS) as [QuestionId, ...QuestionId[]];
