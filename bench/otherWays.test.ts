import { expect, it } from 'vitest';
import { OTHER_WAYS } from './otherWays';

it.each(Object.entries(OTHER_WAYS))('the sentence %s is reached', (id, found) =>
  expect(found().map((finding) => finding.id)).toContain(id),
);
