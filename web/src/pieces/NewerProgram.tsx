import { useRegisterSW } from 'virtual:pwa-register/react';
import { Button } from './Button';

/** Keeps the program on the device, and says when there is a newer one: it is loaded when somebody has nothing open, not under their hands. */
export function NewerProgram() {
  const {
    needRefresh: [isNewer],
    updateServiceWorker,
  } = useRegisterSW();
  if (!isNewer) return null;
  return (
    <p role="status" className="flex items-center gap-2 border-b border-line bg-tray px-3 py-1 text-sm print:hidden">
      <span className="flex-1">Merienda has been renewed.</span>
      <Button onClick={() => void updateServiceWorker(true)}>Load it anew</Button>
    </p>
  );
}
