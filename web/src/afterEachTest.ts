import { cleanup } from '@testing-library/react';
import { afterEach } from 'vitest';

// What one test drew is gone before the next one looks.
afterEach(cleanup);
