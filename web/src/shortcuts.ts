const everywhere: [string, string][] = [
  ['Ctrl K', 'Go to a place, a recipe, a food or a command'],
  ['?', 'These keys'],
];

const own: Record<string, [string, string][]> = {
  week: [
    ['Tab', 'From the bench to the board and back'],
    ['Arrow keys', 'Move over the meals'],
    ['A … Z', 'Put a portion of that tape on the meal'],
    ['Enter', 'On a tape: hold it. On a portion: pick it up. Holding: put it down'],
    ['Space', 'Open the details of a portion or a day’s meal'],
    ['+ and −', 'Larger or smaller portion, by a quarter'],
    ['Page Down', 'The next two people at a table of more than two'],
    ['Delete', 'Take the portion back to the bench'],
    ['Esc', 'Let go'],
    ['Ctrl Z', 'Undo your last change'],
  ],
  recipes: [['/', 'Search']],
  session: [['Space', 'Tick the task that has the focus']],
  shop: [['Space', 'Tick the item that has the focus']],
};

export const shortcutsOf = (place: string): [string, string][] => [...(own[place] ?? []), ...everywhere];
