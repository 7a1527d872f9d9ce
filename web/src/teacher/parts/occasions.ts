import type { Schemas } from '../../api/client';
import { say } from '../words';

/** The occasions on which homes are written to. */
export const occasions: Record<Schemas['MessageView']['kind'], string> = {
  survey: say('messages.survey'),
  invitation: say('messages.invitation'),
  permission: say('messages.permission'),
  'look-now': say('messages.look-now'),
  'get-ready': say('messages.get-ready'),
  thanks: say('messages.thanks'),
};
