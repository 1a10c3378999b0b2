const place = 'merienda.log.eater';

/** Whose day this device shows: a phone is somebody's. */
export const chosenEater = () => localStorage.getItem(place);

export const chooseEater = (eater: string) => localStorage.setItem(place, eater);

/** Who works in another kitchen now has other eaters. */
export const forgetEater = () => localStorage.removeItem(place);
