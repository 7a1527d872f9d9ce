import { Link } from 'react-router';
import { say } from '../words';

export function NotIssued({ id }: { id: string }) {
  return (
    <main className="work">
      <p className="lead-sentence">{say('notIssued.it-is-not-with-any-class')}</p>
      <Link to={`/experiments/${id}/issue`}>{say('issue.issue-it')}</Link>
    </main>
  );
}
