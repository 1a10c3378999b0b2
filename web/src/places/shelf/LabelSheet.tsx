import { useEffect } from 'react';
import type { ShownBox } from './boxes';
import { Label } from './Label';
import { type LabelSize, pageRule } from './labels';

/** The labels as they go onto a sheet or a roll; seen on paper only. One that holds more than its size runs over rather than lose an allergen. */
export function LabelSheet({ boxes, size }: { boxes: ShownBox[]; size: LabelSize }) {
  useEffect(() => {
    const sheet = pageRule(size);
    document.adoptedStyleSheets = [...document.adoptedStyleSheets, sheet];
    return () => {
      document.adoptedStyleSheets = document.adoptedStyleSheets.filter((one) => one !== sheet);
    };
  }, [size]);
  const isCut = size.width > 0;
  return (
    <section
      aria-label="Label sheet"
      className={`hidden print:grid ${isCut ? '' : 'grid-cols-2 gap-3'}`}
      style={isCut ? { gridTemplateColumns: `repeat(${size.columns}, ${size.width}mm)`, columnGap: '2mm' } : undefined}
    >
      {boxes.map((box) => (
        <div key={box.id} className="break-inside-avoid" style={isCut ? { minHeight: `${size.height}mm` } : undefined}>
          <Label box={box} small={isCut && size.height < 55} />
        </div>
      ))}
    </section>
  );
}
