import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import FormControl from 'react-bootstrap/FormControl';
import { byTime } from '../phone/book';
import type { LocalEntry } from '../phone/db';
import { useRemembered } from '../phone/useRemembered';
import { useWords } from '../words';
import { useKept } from '../phone/typing';
import { useCore } from '../phone/useCore';
import type { Reply } from '../core';
import { KeptReading } from './KeptReading';
import { calledHere, SlotFrame, useSlot, type SlotProps } from './SlotFrame';

/** One measurement: typed as people type, shown back as the server read it, corrected or spoiled but never overwritten. */
export function ReadingField(props: SlotProps) {
  const { state, bundle, reading, typing } = props;
  const t = useWords();
  const core = useCore();
  const at = useSlot(props);
  const { id, present } = at;
  const [kept, setKept] = useRemembered<string>(state, at.draft);
  const typed = kept ?? '';
  const [changing, setChanging] = useState(false);
  const [asks, setAsks] = useState(false);
  const write = (value: string) => {
    setKept(value || undefined);
  };
  const keep = useKept(typing, id, async () => {
    if (!typed.trim()) return;
    if (!changing || typed !== present?.entry.typed) await at.put({ typed });
    write('');
    setChanging(false);
  });
  /** What the phone itself makes of a reading that waits to be sent. */
  const read = (e: LocalEntry): Reply | undefined => {
    const tool =
      reading.instruments.find((i) => i.id === e.entry.instrument) ?? reading.instruments[0];
    const asked = {
      unit: reading.unit,
      low: reading.low,
      high: reading.high,
      repeatability: reading.repeatability,
      step: tool?.step,
      analogue: tool?.analogue,
      tool: { [bundle.home.language]: tool?.name ?? '' },
      ...others(props, e),
    };
    return core?.({
      typed: e.entry.typed ?? '',
      language: bundle.home.locale,
      measures: bundle.class.unit_system,
      asked,
    });
  };
  return (
    <SlotFrame
      {...props}
      at={at}
      labels={id}
      said={(e) => e.entry.typed ?? ''}
      writing={changing}
      asks={asks}
      onAsked={() => setAsks(false)}
    >
      {(!present || changing) && (
        <form
          className="value-row"
          onSubmit={(event) => {
            event.preventDefault();
            void keep();
          }}
        >
          <FormControl
            id={id}

            inputMode="decimal"
            autoComplete="off"
            value={typed}
            onChange={(e) => write(e.target.value)}
            onBlur={() => void keep()}
            placeholder={t('whatShows')}
            maxLength={200}
          />
          <span className="unit">{reading.unit}</span>
          <Button type="submit">{t('keep')}</Button>
        </form>
      )}
      {present && !changing && (
        <KeptReading
          key={present.id}
          entry={present}
          reply={present.answer ?? read(present)}
          id={id}
          state={state}
          onOffer={(typed) => void at.put({ typed })}
          onNotRead={() => setAsks(true)}
          onChange={() => {
            setChanging(true);
            write(present.entry.typed ?? '');
          }}
        />
      )}
    </SlotFrame>
  );
}

/** The same reading of the objects that were read before, and how far this one has to differ from them. */
function others({ sheet, book, slot }: SlotProps, entry: LocalEntry) {
  const object = sheet.objects?.find((o) => o.id === slot.object);
  const apart = object?.apart?.[slot.reading];
  if (!object || !apart) return {};
  return {
    apart,
    others: sheet.objects
      .filter((o) => o.sort === object.sort && o.id !== object.id)
      .flatMap((o) => {
        const other = book.present({ ...slot, object: o.id });
        return other?.entry.typed && byTime(other, entry) < 0
          ? [{ name: calledHere(sheet, book, o.id)!, typed: other.entry.typed }]
          : [];
      }),
  };
}
