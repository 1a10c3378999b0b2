import { describe, expect, it } from 'vitest';
import { contained } from './Label';

describe('what a label says is in it', () => {
  it.each([
    [[], 'Contains: no listed allergen'],
    [['celery', 'milk (may contain)', 'fish'], 'Contains: celery, fish. May contain: milk'],
    [['milk (may contain)', 'mustard (may contain)'], 'May contain: milk, mustard'],
    [['sulphur dioxide and sulphites'], 'Contains: sulphur dioxide and sulphites'],
  ])('%j: %s', (allergens, said) => expect(contained(allergens)).toBe(said));
});
