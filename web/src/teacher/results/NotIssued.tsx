import { Link } from 'react-router';

export function NotIssued({ id }: { id: string }) {
  return (
    <main className="work">
      <p className="lead-sentence">It is not with any class yet.</p>
      <Link to={`/experiments/${id}/issue`}>Issue it</Link>
    </main>
  );
}
