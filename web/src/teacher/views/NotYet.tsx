import { Link } from 'react-router';
import { Head } from '../frame/TeacherFrame';
import { say } from '../words';

export function NotYet({ title, words }: { title: string; words: string }) {
  return (
    <>
      <Head title={title} />
      <main className="work">
        <p className="lead-sentence">{words}</p>
        <p>
          <Link to="/today">{say('teacherFrame.today')}</Link> ·{' '}
          <Link to="/experiments">{say('experiments.experiments')}</Link>
        </p>
      </main>
    </>
  );
}
