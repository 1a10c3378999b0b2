import { Disclosure, DisclosureButton, DisclosurePanel } from '@headlessui/react';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { api, type Schemas, take } from '../../api/client';
import { Asked } from '../../pieces/Asked';
import { dayMonth } from '../../pieces/show';

/** What was written to people: in the place of a service that carries mail, it lies here. */
export function OutboxView() {
  const outbox = useQuery({ queryKey: ['group', 'mail'], queryFn: () => take(api.GET('/api/mail')) });
  return (
    <Asked of={outbox}>
      {(page) => (
        <section className="max-w-prose space-y-4">
          <Digest isOff={page.isOff} />
          <p className="text-sm text-steel">
            This Merienda has no mail service: what it would send lies here, and goes nowhere else. What is for you is read by you alone.
          </p>
          {page.mails.length === 0 ? (
            <p>Nothing was written yet.</p>
          ) : (
            <ul aria-label="Mails" className="text-sm">
              {page.mails.map((mail) => (
                <Mail key={mail.id} mail={mail} />
              ))}
            </ul>
          )}
          {page.all > page.mails.length && <p className="text-sm text-steel">{page.all - page.mails.length} older ones are not shown.</p>}
        </section>
      )}
    </Asked>
  );
}

function Digest({ isOff }: { isOff: boolean }) {
  const queries = useQueryClient();
  const turn = async (off: boolean) => {
    await take(api.PUT('/api/mail/digest', { body: { isOff: off } }));
    await queries.invalidateQueries({ queryKey: ['group', 'mail'] });
  };
  return (
    <label className="flex min-h-11 items-center gap-2">
      <input type="checkbox" checked={!isOff} onChange={(event) => void turn(!event.target.checked)} className="size-4 accent-cobalt" />
      Mail me what is new in my groups, at most once a day
    </label>
  );
}

function Mail({ mail }: { mail: Schemas['MailSheet'] }) {
  return (
    <Disclosure as="li" className="border-t border-line last:border-b">
      <DisclosureButton className="flex min-h-11 w-full flex-wrap items-center gap-x-3 py-1 text-left hover:text-cobalt">
        <span className="min-w-0 flex-1 basis-64 font-semibold">{mail.subject}</span>
        <span className="text-steel">{mail.address}</span>
        <span className="figures text-steel">{dayMonth(mail.madeAt.slice(0, 10))}</span>
      </DisclosureButton>
      <DisclosurePanel className="pb-3 whitespace-pre-line">
        {mail.before}
        {mail.path ? (
          <a href={mail.path} className="break-all text-cobalt underline">
            {location.origin}
            {mail.path}
          </a>
        ) : (
          'a link that can’t be read any more'
        )}
        {mail.after}
      </DisclosurePanel>
    </Disclosure>
  );
}
