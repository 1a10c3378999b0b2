import { type ReactNode, useSyncExternalStore } from 'react';
import { Problem } from '../api/client';
import { Button } from './Button';

/** A question to the server, of one answer or of pages. */
type Question<T> = { data: T | undefined; isError: boolean; error: Error | null; refetch: () => unknown };

/** Draws every state of something asked from the server: loading, failed, there. */
export function Asked<T>({ of, children }: { of: Question<T>; children: (data: T) => ReactNode }) {
  if (of.data !== undefined) return children(of.data);
  if (of.isError) {
    const problem = of.error instanceof Problem ? of.error : null;
    return (
      <div role="alert" className="m-6 max-w-md">
        <p className="font-semibold">{problem?.title ?? 'This could not be loaded.'}</p>
        <p className="mb-3 text-steel">{problem?.cure ?? ''}</p>
        <Button onClick={() => of.refetch()}>Try again</Button>
      </div>
    );
  }
  return <Loading />;
}

function onNetwork(tell: () => void) {
  window.addEventListener('online', tell);
  window.addEventListener('offline', tell);
  return () => {
    window.removeEventListener('online', tell);
    window.removeEventListener('offline', tell);
  };
}

export const useOnline = () => useSyncExternalStore(onNetwork, () => navigator.onLine);

export function Loading() {
  const isOnline = useOnline();
  return (
    <p role="status" className="m-6 text-steel">
      {isOnline ? 'Loading …' : 'No network. This comes as soon as there is one.'}
    </p>
  );
}
