import { lazy, Suspense } from 'react';
import { Asked, Loading } from './pieces/Asked';
import { useAccount } from './pieces/account';

// The door and what is behind it come one after the other: the first look takes what it needs and no more.
const WelcomePage = lazy(() => import('./places/account/WelcomePage').then((page) => ({ default: page.WelcomePage })));
const Places = lazy(() => import('./Places').then((page) => ({ default: page.Places })));

export function App() {
  const account = useAccount();
  return (
    <Asked of={account}>
      {({ person, demoPeople }) => (
        <Suspense fallback={<Loading />}>{person ? <Places person={person} /> : <WelcomePage demoPeople={demoPeople} />}</Suspense>
      )}
    </Asked>
  );
}
