import type { Book } from './book';
import type { Bundle, HomeState, Sheet } from './useHome';

/** What every page of one assignment works with. */
export interface WorkProps {
  state: HomeState;
  bundle: Bundle;
  sheet: Sheet;
  book: Book;
  go: (to: string) => void;
  onWrong: () => void;
}
