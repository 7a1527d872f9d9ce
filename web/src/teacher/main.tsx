import { best, startWords } from '../ui/language';
import { languages, wordFiles } from './languages';

// The words are there before any page is: whatever a page says can be said where it stands.
const language = best(languages, [
  localStorage.getItem('pk-teacher-language') ?? '',
  ...navigator.languages,
]);
void startWords(wordFiles, language).then(() => import('./App'));
