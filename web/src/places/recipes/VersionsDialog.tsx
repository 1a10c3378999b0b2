import { useState } from 'react';
import { api, take } from '../../api/client';
import { Asked } from '../../pieces/Asked';
import { Button } from '../../pieces/Button';
import { SheetDialog } from '../../pieces/Sheet';
import { dayMonth } from '../../pieces/show';
import { Changes } from './Changes';
import { type Sheet, useSaveRecipe } from './queries';
import { useHistory } from './useHistory';

const savedAgain = 'Saved again; only what its foods and packets hold may be newer.';

/** Every version with what it has otherwise than the one before; an earlier one can be the next again. */
export function VersionsDialog({ sheet, id, onClose }: { sheet: Sheet; id: string; onClose: () => void }) {
  const history = useHistory(id);
  const { save, isPending } = useSaveRecipe(id);
  const [isWhole, setWhole] = useState(false);
  const takeAgain = async (number: number) => {
    const draft = await take(api.GET('/api/recipes/{id}/versions/{number}', { params: { path: { id, number } } }));
    await save(draft, { say: `${sheet.name} is as it was in version ${number}.`, first: onClose });
  };
  return (
    <SheetDialog title={`Versions of ${sheet.name}`} onClose={onClose} wide>
      <Asked of={history}>
        {({ versions, sinceFirst }) => (
          <>
            <Button look="bare" onClick={() => setWhole(!isWhole)} aria-expanded={isWhole}>
              {isWhole ? 'Version by version' : 'All changes since the first'}
            </Button>
            {isWhole ? (
              <Changes of={sinceFirst} none={savedAgain} />
            ) : (
              <ol>
                {versions.map((version, at) => (
                  <li key={version.number} className="border-t border-line py-2">
                    <div className="flex items-center gap-3">
                      <h3 className="figures flex-1 text-base">
                        Version {version.number}
                        <span className="ml-2 text-sm font-normal text-steel">
                          {dayMonth(version.savedAt.slice(0, 10))}, {version.by}
                        </span>
                      </h3>
                      {at > 0 && (
                        <Button disabled={isPending} onClick={() => void takeAgain(version.number)}>
                          Take it again
                        </Button>
                      )}
                    </div>
                    {version.number === 1 ? (
                      <p className="text-sm text-steel">As it was first saved.</p>
                    ) : (
                      <Changes of={version.changes} none={savedAgain} />
                    )}
                  </li>
                ))}
              </ol>
            )}
          </>
        )}
      </Asked>
    </SheetDialog>
  );
}
