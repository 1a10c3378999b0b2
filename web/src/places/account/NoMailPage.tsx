import { useQuery } from '@tanstack/react-query';
import { api, take } from '../../api/client';
import { Asked } from '../../pieces/Asked';

/** From the link in a mail: opening it is enough. */
export function NoMailPage({ token }: { token: string }) {
  const ended = useQuery({
    queryKey: ['account', 'no-mail', token],
    staleTime: Number.POSITIVE_INFINITY,
    retry: false,
    queryFn: async () => {
      await take(api.POST('/api/mail/end', { body: { token } }));
      return true;
    },
  });
  return (
    <main className="mx-auto max-w-md p-6 pt-[12vh]">
      <Asked of={ended}>
        {() => (
          <>
            <h1 className="text-2xl">No more mail</h1>
            <p className="mt-1 mb-6 text-lg text-steel">
              What is new in your groups stands under Group, whenever you look. You can turn mail on again there.
            </p>
          </>
        )}
      </Asked>
      <a href="/" className="font-semibold text-cobalt hover:underline">
        To the first page
      </a>
    </main>
  );
}
