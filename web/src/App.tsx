import { Suspense } from 'react';
import { Asked, Loading } from './pieces/Asked';
import { useAccount } from './pieces/account';
import { later } from './pieces/later';
import { groupLinkOf, linkOf, noMailOf } from './places/account/link';

// The door and what is behind it come one after the other: the first look takes what it needs and no more.
const WelcomePage = later(() => import('./places/account/WelcomePage').then((page) => page.WelcomePage));
const JoinPage = later(() => import('./places/account/JoinPage').then((page) => page.JoinPage));
const NoMailPage = later(() => import('./places/account/NoMailPage').then((page) => page.NoMailPage));
const JoinGroupPage = later(() => import('./places/group/JoinGroupPage').then((page) => page.JoinGroupPage));
const Places = later(() => import('./Places').then((page) => page.Places));

export function App() {
  const account = useAccount();
  const link = linkOf(location.pathname);
  const groupLink = groupLinkOf(location.pathname);
  const noMail = noMailOf(location.pathname);
  return (
    <Asked of={account}>
      {({ person, demoPeople }) => (
        <Suspense fallback={<Loading />}>
          {link ? (
            <JoinPage link={link} person={person} />
          ) : groupLink ? (
            <JoinGroupPage link={groupLink} person={person} />
          ) : noMail ? (
            <NoMailPage token={noMail} />
          ) : person ? (
            <Places person={person} />
          ) : (
            <WelcomePage demoPeople={demoPeople} />
          )}
        </Suspense>
      )}
    </Asked>
  );
}
