import type { Schemas } from '../../api/client';
import type { Followed } from './queries';

/** "1,200: ½", "1,200: none": how much of a dish a tier has. */
export const amountOf = ({ tier, portions }: Schemas['TierPortions']) =>
  `${tier}: ${portions === 0 ? 'none of it' : `${portions} portions`}`;

/** "Low-carb, net: half the oats": what is made for those who follow something. */
export const variantOf = ({ protocol, variant }: Schemas['StrandVariant'], follows: readonly Followed[]) =>
  `${follows.find((one) => one.id === protocol)?.name ?? protocol}: ${variant}`;

/** A number of members as the desk may read it. */
export const howMany = ({ members, isRest }: Schemas['SaidCount']) => members ?? (isRest ? 'all but a few' : 'a few');
