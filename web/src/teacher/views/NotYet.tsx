import { Link } from 'react-router';
import { Head } from '../frame/TeacherFrame';

export function NotYet({ title, words }: { title: string; words: string }) {
  return (
    <>
      <Head title={title} />
      <main className="work">
        <p className="lead-sentence">{words}</p>
        <p>
          <Link to="/today">Today</Link> · <Link to="/experiments">Experiments</Link>
        </p>
      </main>
    </>
  );
}
