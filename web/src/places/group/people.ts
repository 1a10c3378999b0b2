export const people = (many: number) => (many === 1 ? 'one person' : `${many} people`);
