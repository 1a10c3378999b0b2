import { useState } from 'react';
import type { Schemas } from '../../api/client';
import { Button } from '../../pieces/Button';
import { SheetDialog } from '../../pieces/Sheet';
import { useScale } from '../../pieces/scale';
import { mealName, number, weekday } from '../../pieces/show';
import { fillingsOf, leftAfter, nearness } from './fillings';
import { PrintLabel } from './PrintLabel';
import { ScaleChoice } from './ScaleChoice';

type Batch = Schemas['PortioningBatch'];

const printEach = 'merienda.labels.each';

/** Whether a box is full with this: the next thing goes into another one. */
const isLast = (weighings: ReturnType<typeof fillingsOf>, at: number) => weighings[at + 1]?.box.id !== weighings[at]?.box.id;

const big = 'min-h-14 flex-1 text-base';

/** Box by box on the scale: how much, how much is missing, and what is left in the pot. Where it was left it goes on. */
export function WeighOut({ batch, week, onFilled, onClose }: { batch: Batch; week: string; onFilled: () => void; onClose: () => void }) {
  const weighings = fillingsOf(batch);
  const place = `merienda.weighed ${batch.id}`;
  const [done, setDone] = useState(() => Math.min(Number(localStorage.getItem(place) ?? 0), weighings.length));
  const [zero, setZero] = useState(0);
  const scale = useScale();
  const next = weighings[done];
  const [isPrinting, setPrinting] = useState(() => localStorage.getItem(printEach) === 'yes');
  const [label, setLabel] = useState<string | null>(null);
  const go = (to: number) => {
    if (isPrinting && next && to > done && isLast(weighings, done)) setLabel(next.box.id);
    localStorage.setItem(place, String(to));
    setDone(to);
    setZero(scale.grams ?? 0);
  };
  const left = leftAfter(batch, weighings, done);
  const grams = scale.grams === null ? null : scale.grams - zero;
  return (
    <SheetDialog title={`Fill ${batch.letter} ${batch.name}`} onClose={onClose}>
      <ScaleChoice />
      {next ? (
        <>
          <p className="mt-3">
            Box <b className="figures">{next.box.number}</b> of {batch.boxes.length}
            {next.box.place && `: ${next.box.eater}, ${weekday(next.box.place.date)} ${mealName(next.box.place.meal)}`}
            <span className="block text-sm text-steel">{next.box.container}</span>
          </p>
          {(next.part || batch.parts.length > 1) && <p className="font-semibold">{next.part || 'Main part'}</p>}
          <p className="figures mt-1">
            <output aria-label="On the scale now" className="text-4xl font-semibold">
              {number(grams ?? next.grams, 0)} g
            </output>
            {grams !== null && <span className="ml-2 text-steel">of {number(next.grams, 0)} g</span>}
          </p>
          <p
            role="status"
            className={`figures min-h-6 ${grams !== null && nearness(grams, next.grams) === 'more' ? 'font-semibold text-beet' : ''}`}
          >
            {grams !== null && said(grams, next.grams, scale.isSteady)}
            {grams === null && next.onThePlate > next.grams && `${number(next.onThePlate, 0)} g if the scale is not set to zero in between`}
          </p>
          <div className="mt-3 flex flex-wrap gap-2">
            {scale.grams !== null && (
              <Button className={big} onClick={() => setZero(scale.grams ?? 0)} disabled={!scale.isSteady}>
                Zero
              </Button>
            )}
            <Button look="main" className={big} disabled={scale.grams !== null && !scale.isSteady} onClick={() => go(done + 1)}>
              Filled, next
            </Button>
          </div>
        </>
      ) : (
        <>
          <p className="mt-3">
            All {batch.boxes.length} boxes are filled{left !== null && left > 0 && `, ${number(left, 0)} g are over`}.
          </p>
          {batch.portionedOn === null && (
            <Button look="main" className={`mt-3 ${big}`} onClick={onFilled}>
              They are in their boxes
            </Button>
          )}
        </>
      )}
      <label className="mt-3 flex min-h-11 items-center gap-2 text-sm max-sm:hidden">
        <input
          type="checkbox"
          checked={isPrinting}
          onChange={(event) => {
            localStorage.setItem(printEach, event.target.checked ? 'yes' : '');
            setPrinting(event.target.checked);
          }}
          className="size-4 accent-cobalt"
        />
        Print the label of each box when it is filled
      </label>
      {label && <PrintLabel box={label} week={week} onPrinted={() => setLabel(null)} />}
      <p className="figures mt-1 flex items-center border-t border-line pt-2 text-sm text-steel">
        <span className="flex-1">{left !== null && `${number(Math.max(0, left), 0)} g in the pot`}</span>
        {done > 0 && (
          <Button look="bare" className="min-h-11" onClick={() => go(done - 1)}>
            One back
          </Button>
        )}
      </p>
    </SheetDialog>
  );
}

function said(grams: number, target: number, isSteady: boolean): string {
  if (grams < -1) return 'Below nothing: put the container back on, or press Zero';
  if (!isSteady) return 'It moves';
  const near = nearness(grams, target);
  return near === 'right'
    ? 'That is right'
    : near === 'less'
      ? `${number(target - grams, 0)} g to go`
      : `${number(grams - target, 0)} g too much`;
}
