import { Icon } from '../../ui/Icon';
import type { Sheet } from '../phone/useHome';

/** Stands on top of every page of an experiment that is only shown. */
export function NotAtHome({ sheet }: { sheet: Sheet }) {
  if (!sheet.notice) return null;
  return (
    <p className="card-paper not-at-home" role="note">
      <Icon name="exclamation-diamond" size={24} /> <strong>{sheet.notice}</strong>
    </p>
  );
}
