import { useState } from 'react';
import { Button } from './Button';

/** A link that was just made, to be copied now: it is shown this once. */
export function SecretLink({ label, path }: { label: string; path: string }) {
  const link = `${location.origin}${path}`;
  const [copied, setCopied] = useState('');
  return (
    <>
      <div className="flex gap-2">
        <input
          aria-label={label}
          readOnly
          value={link}
          onFocus={(event) => event.target.select()}
          className="min-h-9 min-w-0 flex-1 rounded-sm border border-slate bg-enamel px-2 text-sm"
        />
        <Button
          look="main"
          onClick={() =>
            navigator.clipboard.writeText(link).then(
              () => setCopied(path),
              () => setCopied(''),
            )
          }
        >
          {copied === path ? 'Copied' : 'Copy it'}
        </Button>
      </div>
      <p className="mt-1 text-xs text-steel">It is shown this once.</p>
    </>
  );
}
