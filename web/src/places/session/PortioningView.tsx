import { useQuery } from '@tanstack/react-query';
import { Snowflake } from 'lucide-react';
import { useEffect, useRef, useState } from 'react';
import { Link } from 'react-router';
import type { Schemas } from '../../api/client';
import { Asked } from '../../pieces/Asked';
import { Button } from '../../pieces/Button';
import { inputLook } from '../../pieces/Field';
import { putIntoOutbox } from '../../pieces/outbox';
import { useScale } from '../../pieces/scale';
import { dayMonth, mealName, number, portions, typedNumber, weekday } from '../../pieces/show';
import { Tape } from '../../pieces/Tape';
import { useWaiting } from '../../pieces/useOutbox';
import { useTyped } from '../../pieces/useTyped';
import { portioningQuery } from '../kept';
import { fillingsOf, type ShownBatch, withWhatWaits } from './fillings';
import { Remark } from './remarks';
import { ScaleChoice } from './ScaleChoice';
import { WeighOut } from './WeighOut';

type Batch = Schemas['PortioningBatch'];
type Part = Schemas['PortioningPart'];

/** What is said here is kept on the device until the server has it: a scale stands where no network is. */
const editsOf = (week: string, day: string) => ({
  fill: (batch: Batch) => void putIntoOutbox({ kind: 'fill', week, day, batch: batch.id, say: `The boxes of ${batch.letter} are filled.` }),
  fillAll: () => void putIntoOutbox({ kind: 'fill', week, day, batch: null, say: 'The boxes of this session are filled.' }),
  weigh: (batch: Batch, body: Schemas['YieldRequest']) =>
    void putIntoOutbox({ kind: 'weigh', week, batch: batch.id, body, say: `${batch.letter} is weighed and shared.` }),
});

/** Batches become boxes: each part is weighed, and every box says its grams. */
export function PortioningView({ week, day }: { week: string; day: string }) {
  const page = useQuery(portioningQuery(week));
  const waiting = useWaiting();
  const edits = editsOf(week, day);
  return (
    <Asked of={page}>
      {({ sessions, vessels }) => {
        const batches = withWhatWaits(sessions.find((session) => session.date === day)?.batches ?? [], day, waiting);
        const planned = batches.filter((batch) => batch.portionedOn === null && !batch.waits).length;
        return (
          <>
            <div className="mb-3 flex flex-wrap items-center gap-3">
              <p className="flex-1 text-steel">
                {planned === 0
                  ? 'Every dish of this session is in its boxes.'
                  : 'Weigh a dish in its vessel and its boxes are shared out, or fill them as planned.'}
              </p>
              {planned > 1 && <Button onClick={edits.fillAll}>Fill all boxes as planned</Button>}
              {planned < batches.length && (
                <Link to={`/shelf/${week}`} className="text-sm font-semibold text-cobalt hover:underline">
                  Boxes and labels on the Shelf
                </Link>
              )}
            </div>
            <div className="mb-3">
              <ScaleChoice />
            </div>
            <datalist id="vessels">
              {vessels.map((vessel) => (
                <option key={vessel.name} value={vessel.name} />
              ))}
            </datalist>
            {batches.map((batch) => (
              <Filling key={batch.id} batch={batch} vessels={vessels} edits={edits} week={week} />
            ))}
          </>
        );
      }}
    </Asked>
  );
}

type Edits = ReturnType<typeof editsOf>;

function Filling({
  batch,
  vessels,
  edits,
  week,
}: {
  batch: ShownBatch;
  vessels: Schemas['PortioningVessel'][];
  edits: Edits;
  week: string;
}) {
  const [isWeighing, setWeighing] = useState(false);
  return (
    <section aria-label={`${batch.letter} ${batch.name}`} className="rimmed mb-5 border-x border-b border-line px-3 py-2">
      <div className="flex flex-wrap items-center gap-x-4 gap-y-1">
        <Tape letter={batch.letter} name={batch.name} big />
        <span className="figures flex-1 text-sm text-steel">
          {portions(batch.portions)} portions
          {batch.portionedOn && `, in boxes since ${weekday(batch.portionedOn)} ${dayMonth(batch.portionedOn)}`}
        </span>
        {fillingsOf(batch).length > 0 && <Button onClick={() => setWeighing(true)}>Weigh out</Button>}
        {batch.portionedOn === null && !batch.waits && <Button onClick={() => edits.fill(batch)}>Fill as planned</Button>}
        {isWeighing && (
          <WeighOut
            batch={batch}
            week={week}
            onClose={() => setWeighing(false)}
            onFilled={() => {
              setWeighing(false);
              edits.fill(batch);
            }}
          />
        )}
      </div>
      {batch.parts.map((part) => (
        <Weighing key={part.name} batch={batch} part={part} vessels={vessels} edits={edits} />
      ))}
      {batch.waits && <p className="mt-2 text-sm text-steel">Not sent yet: its boxes get their grams when it is.</p>}
      <Remark batch={batch} week={week} />
      <ul className={`figures mt-2 grid gap-x-6 text-sm sm:grid-cols-2 ${batch.portionedOn ? '' : 'text-steel'}`}>
        {batch.boxes.map((box) => (
          <li key={box.id} className="flex items-baseline gap-2 border-t border-line py-1">
            <span className="w-5 text-right text-steel">{box.number}</span>
            <b className="shrink-0 whitespace-nowrap">
              {box.parts.every((part) => part.grams === null)
                ? `${portions(box.portions)} portion`
                : box.parts
                    .map(
                      (part) =>
                        `${box.parts.length > 1 && part.name ? `${part.name} ` : ''}${part.grams === null ? '?' : number(part.grams, 0)} g`,
                    )
                    .join(' + ')}
            </b>
            {box.portions !== 1 && <span>{portions(box.portions)}×</span>}
            {box.variant && <span className="shrink-0 font-semibold">{box.variant}</span>}
            <span className="min-w-0 flex-1 truncate">
              {box.place ? `${box.eater}, ${weekday(box.place.date)} ${mealName(box.place.meal)}` : 'loose'}
            </span>
            <span className="shrink-0 text-xs text-steel">{box.container}</span>
            {box.keptIn === 'freezer' && <Snowflake size={13} aria-label="to the freezer" className="shrink-0" />}
          </li>
        ))}
      </ul>
    </section>
  );
}

/** Water comes and goes in a pot, but a dish that weighs three times its lines, or a third of them, was more likely typed wrong. */
const isOdd = (net: number | null, planned: number | null) =>
  net !== null && net > 0 && planned !== null && planned > 0 && (net > planned * 3 || net < planned / 3);

const grams = (typed: string) => {
  const read = typedNumber(typed);
  return read === null ? null : Math.round(read);
};

function Weighing({
  batch,
  part,
  vessels,
  edits,
}: {
  batch: ShownBatch;
  part: Part;
  vessels: Schemas['PortioningVessel'][];
  edits: Edits;
}) {
  const scale = useScale();
  const gross = useTyped(part.grossG === null ? '' : String(part.grossG));
  const vessel = useTyped(part.vessel ?? '');
  const tare = useTyped(part.tareG === null ? '' : String(part.tareG));
  // What the server has taken over is nothing of one's own any more; what it refused stays as it is typed.
  const settled = batch.waits ? null : [part.grossG, part.vessel, part.tareG].map((value) => String(value ?? '')).join('\n');
  const fields = useRef([gross, vessel, tare]);
  useEffect(() => {
    fields.current = [gross, vessel, tare];
  });
  useEffect(() => {
    settled?.split('\n').forEach((value, at) => {
      fields.current[at]?.kept(value);
    });
  }, [settled]);
  const known = vessels.find((one) => one.name === vessel.text);
  const choose = (name: string) => {
    vessel.type(name);
    const weight = vessels.find((one) => one.name === name)?.tareG;
    if (weight !== undefined && weight !== null) tare.type(String(weight));
  };
  const [all, empty] = [grams(gross.text), grams(tare.text) ?? 0];
  const net = all === null || Number.isNaN(all) || Number.isNaN(empty) ? null : all - empty;
  const named = part.name || (batch.parts.length > 1 ? 'Main part' : 'All of it');
  const isSaid = part.grossG === all && part.tareG === empty && (part.vessel ?? '') === vessel.text;
  const field = `${inputLook} figures w-24 text-right`;
  return (
    <form
      aria-label={`Weigh ${batch.letter}, ${named}`}
      className="mt-2 flex flex-wrap items-center gap-x-4 gap-y-2 text-sm"
      onSubmit={(event) => {
        event.preventDefault();
        if (net === null || all === null) return;
        edits.weigh(batch, { part: part.name, grossG: all, tareG: empty, vessel: vessel.text.trim() });
      }}
    >
      <span className="w-40 leading-tight">
        <b>{named}</b>
        {part.plannedGrams !== null && (
          <span className="figures block text-xs text-steel">{number(part.plannedGrams, 0)} g went in, raw</span>
        )}
      </span>
      <label className="flex items-center gap-2">
        On the scale
        <input inputMode="numeric" value={gross.text} onChange={(event) => gross.type(event.target.value)} className={field} />g
      </label>
      <label className="flex items-center gap-2">
        in
        <input
          list="vessels"
          value={vessel.text}
          placeholder="which vessel"
          onChange={(event) => choose(event.target.value)}
          className={`${inputLook} w-40`}
        />
      </label>
      <label className="flex items-center gap-2">
        of
        <input
          inputMode="numeric"
          value={tare.text}
          placeholder="0"
          aria-label="Weight of the empty vessel"
          onChange={(event) => tare.type(event.target.value)}
          className={field}
        />
        g
      </label>
      {scale.grams !== null && (
        <Button
          className="min-h-11 sm:min-h-9"
          disabled={!scale.isSteady || scale.grams < 1}
          onClick={() => gross.type(String(Math.round(scale.grams ?? 0)))}
        >
          {scale.isSteady ? `Take ${number(scale.grams, 0)} g` : 'It moves'}
        </Button>
      )}
      <Button type="submit" look="main" disabled={net === null || net < 1 || isSaid} className="min-h-11 sm:min-h-9">
        {part.grossG === null ? 'Weigh and share' : 'Weigh again'}
      </Button>
      <output className="figures">
        {net !== null && net > 0 && (
          <>
            <b>{number(net, 0)} g</b>
            {isSaid && part.over !== null && part.over > 0 && `, ${number(part.over, 0)} g over`}
          </>
        )}
        {isOdd(net, part.plannedGrams) && (
          <span className="block">Far from what went in: is it in grams, and is the vessel taken off?</span>
        )}
        {net !== null && net < 1 && 'The empty vessel cannot weigh as much as the full one.'}
        {known && known.tareG === null && empty > 0 && <span className="block text-xs text-steel">its weight is remembered</span>}
      </output>
    </form>
  );
}
