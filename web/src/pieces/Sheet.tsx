import { Dialog, DialogPanel, DialogTitle } from '@headlessui/react';
import { X } from 'lucide-react';
import type { ReactNode } from 'react';

/** A dialog with the enamel rim. */
export function SheetDialog({
  title,
  onClose,
  children,
  wide = false,
}: {
  title: string;
  onClose: () => void;
  children: ReactNode;
  wide?: boolean;
}) {
  return (
    <Dialog open onClose={onClose} className="relative z-40">
      <div className="fixed inset-0 bg-ink/30" aria-hidden="true" />
      <div className="fixed inset-0 flex items-start justify-center overflow-y-auto p-4 pt-[10vh]">
        <DialogPanel className={`rimmed w-full shadow-xl ${wide ? 'max-w-2xl' : 'max-w-md'}`}>
          <div className="flex items-center justify-between px-4 pt-3">
            <DialogTitle className="font-display text-lg font-semibold">{title}</DialogTitle>
            <button type="button" onClick={onClose} aria-label="Close" className="p-1 text-steel hover:text-rim">
              <X size={18} />
            </button>
          </div>
          <div className="p-4 pt-2">{children}</div>
        </DialogPanel>
      </div>
    </Dialog>
  );
}
