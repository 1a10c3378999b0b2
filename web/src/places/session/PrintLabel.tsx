import { useQuery } from '@tanstack/react-query';
import { useEffect } from 'react';
import { createPortal } from 'react-dom';
import { shelfQuery } from '../kept';
import { LabelSheet } from '../shelf/LabelSheet';
import { chosenSize } from '../shelf/labels';

/** One label on paper and nothing else, as soon as it is drawn. */
export function PrintLabel({ box, week, onPrinted }: { box: string; week: string; onPrinted: () => void }) {
  const shelf = useQuery(shelfQuery(week));
  const there = shelf.data?.boxes.find((one) => one.id === box);
  useEffect(() => {
    if (!shelf.data) return;
    if (there) {
      document.body.classList.add('one-label');
      window.print();
      document.body.classList.remove('one-label');
    }
    onPrinted();
  }, [shelf.data, there, onPrinted]);
  return there
    ? createPortal(
        <div className="the-label">
          <LabelSheet boxes={[{ ...there, waits: null }]} size={chosenSize()} />
        </div>,
        document.body,
      )
    : null;
}
