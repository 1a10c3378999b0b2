import { Suspense } from 'react';
import { Asked, Loading } from './pieces/Asked';
import { useAccount } from './pieces/account';
import { later } from './pieces/later';

// The door and what is behind it come one after the other: the first look takes what it needs and no more.
const WelcomePage = later(() => import('./places/account/WelcomePage').then((page) => page.WelcomePage));
const LinkPlace = later(() => import('./places/account/LinkPlace').then((page) => page.LinkPlace));
const Places = later(() => import('./Places').then((page) => page.Places));

const link = /^\/(join(-group)?\/[^/]+|no-mail)\/[^/]/;

export function App() {
  const account = useAccount();
  return (
    <Asked of={account}>
      {({ person, demoPeople }) => (
        <Suspense fallback={<Loading />}>
          {link.test(location.pathname) ? (
            <LinkPlace person={person} />
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
