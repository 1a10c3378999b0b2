import { Menu, MenuButton, MenuItem, MenuItems } from '@headlessui/react';
import { Share2 } from 'lucide-react';
import { useState } from 'react';
import { Button, mainLook } from '../../pieces/Button';
import { Field } from '../../pieces/Field';
import { useNotices } from '../../pieces/Notice';
import { SheetDialog } from '../../pieces/Sheet';

const choice = 'flex min-h-11 w-full items-center px-3 text-left text-sm data-focus:bg-tray';

/** The list on paper, as text to send, as a file, or as a reminder in a calendar. */
export function HandOn({ date, session }: { date: string; session: string | null }) {
  const { done, refused } = useNotices();
  const [isReminding, setReminding] = useState(false);
  const file = (kind: string) => `/api/weeks/${date}/shop/list.${kind}?${new URLSearchParams(session ? { session } : {})}`;
  const send = async () => {
    const answer = await fetch(file('txt'));
    if (!answer.ok) return refused(new Error('The list could not be read.'));
    const text = await answer.text();
    // A phone offers what it sends by; elsewhere the text is ready to be pasted.
    if (navigator.share) await navigator.share({ text }).catch(() => undefined);
    else {
      await navigator.clipboard.writeText(text);
      done('The list is copied: paste it where you like.');
    }
  };
  return (
    <>
      <Menu>
        <MenuButton className="inline-flex min-h-11 items-center gap-1.5 rounded-sm border border-line px-3 text-sm font-semibold hover:border-rim sm:min-h-9 print:hidden">
          <Share2 size={15} /> Hand on
        </MenuButton>
        <MenuItems anchor="bottom end" className="rimmed z-30 min-w-52 shadow-xl">
          <MenuItem>
            <button type="button" className={choice} onClick={() => window.print()}>
              Print
            </button>
          </MenuItem>
          <MenuItem>
            <button type="button" className={choice} onClick={() => void send()}>
              Send as text
            </button>
          </MenuItem>
          <MenuItem>
            <a className={choice} href={file('csv')} download>
              Save as a table (CSV)
            </a>
          </MenuItem>
          <MenuItem>
            <button type="button" className={choice} onClick={() => setReminding(true)}>
              Remind me …
            </button>
          </MenuItem>
        </MenuItems>
      </Menu>
      {isReminding && <Remind file={file('ics')} onClose={() => setReminding(false)} />}
    </>
  );
}

function Remind({ file, onClose }: { file: string; onClose: () => void }) {
  const [at, setAt] = useState('');
  return (
    <SheetDialog title="A reminder to shop" onClose={onClose}>
      <p className="mb-3 text-sm text-steel">A file for your calendar, with the list in it and an alarm half an hour before.</p>
      <Field label="When" type="datetime-local" value={at} onChange={setAt} />
      <div className="mt-4 flex justify-end gap-2">
        <Button onClick={onClose}>Leave it</Button>
        {at && (
          <a href={`${file}&at=${at}`} download onClick={onClose} className={mainLook}>
            Save the reminder
          </a>
        )}
      </div>
    </SheetDialog>
  );
}
