/** Which station mends a place of the document. */
export const stationOf = (path: string) =>
  path.startsWith('/cautions')
    ? 'safety'
    : /^\/(steps|needs|stages|objects|sections|crew|readings|constants|derived|evidence|mistakes)/.test(
          path,
        )
      ? 'steps'
      : 'plan';

export const placeOf = (id: string, path: string) =>
  `/experiments/${id}/${stationOf(path)}?at=${encodeURIComponent(path)}`;
