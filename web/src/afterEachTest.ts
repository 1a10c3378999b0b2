import { cleanup, configure } from '@testing-library/react';
import { afterEach } from 'vitest';

// A machine that is shared stands still for a second now and then: waiting longer costs nothing where the answer comes.
configure({ asyncUtilTimeout: 20_000 });

// What one test drew is gone before the next one looks.
afterEach(cleanup);
