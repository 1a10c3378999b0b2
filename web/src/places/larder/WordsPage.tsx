import { useQuery } from '@tanstack/react-query';
import { X } from 'lucide-react';
import { Link } from 'react-router';
import { api, kept, take } from '../../api/client';
import { Asked } from '../../pieces/Asked';
import { useEdit } from '../../pieces/useEdit';

/** What the household's own words mean: learnt where a food was chosen for a line, and forgotten here. */
export function WordsPage() {
  const words = useQuery({ queryKey: ['larder', 'words'], queryFn: () => take(api.GET('/api/larder/words')) });
  const edit = useEdit();
  return (
    <Asked of={words}>
      {(list) =>
        list.length === 0 ? (
          <p className="max-w-prose text-steel">
            No words yet. When a line of a recipe names a food in a way that is not known here, choose the food for it; saved with the
            recipe, the choice holds for those words from then on.
          </p>
        ) : (
          <>
            <p className="mb-3 max-w-prose text-sm text-steel">Lines with these words mean these foods in this household.</p>
            <ul className="max-w-2xl divide-y divide-line border-y border-line">
              {list.map((word) => (
                <li key={word.words} className="flex min-h-11 items-center gap-3 py-1">
                  <span className="min-w-0 flex-1 font-semibold">{word.words}</span>
                  <span className="min-w-0 flex-1">
                    {word.foodName ? (
                      <Link to={`/larder/foods/${encodeURIComponent(word.foodKey)}`} className="text-cobalt hover:underline">
                        {word.foodName}
                      </Link>
                    ) : (
                      <span className="text-steel">a food that is no longer there</span>
                    )}
                  </span>
                  <button
                    type="button"
                    aria-label={`Forget ${word.words}`}
                    className="flex size-11 items-center justify-center text-steel hover:text-rim"
                    onClick={() =>
                      edit.run({
                        ask: () => kept(api.DELETE('/api/larder/words', { params: { query: { words: word.words } } })),
                        say: `Forgot “${word.words}”.`,
                      })
                    }
                  >
                    <X size={16} />
                  </button>
                </li>
              ))}
            </ul>
          </>
        )
      }
    </Asked>
  );
}
