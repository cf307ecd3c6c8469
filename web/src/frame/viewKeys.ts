/** The keys of each view, by the beginning of its address; those of every view stand below them. */

type Key = [string, string];

const DESK: Key[] = [
  ["J  K", "next and previous waiting entry"],
  ["X", "select the entry, for posting several at once"],
  ["1 – 5", "take an explanation as the draft"],
  ["+", "take the next oldest open item as well"],
  ["C", "look for another payer, item or amount"],
  ["L", "paste a list of references and amounts"],
  ["N", "write the invoice that is missing"],
  ["A", "to an account, without a customer"],
  ["S", "shelve the entry"],
  ["R", "go to the ways to treat what is left"],
  ["Ctrl + Enter", "post the draft"],
  ["P", "post all that is clear"],
  ["F", "filter the queue"],
];

const BATCH: Key[] = [
  ["J  K", "next and previous cheque"],
  ["1 – 5", "take an explanation as the draft"],
  ["+", "take the next oldest open item as well"],
  ["C", "look for another payer, item or amount"],
  ["R", "go to the ways to treat what is left"],
  ["Ctrl + Enter", "keep the draft, or post it"],
  ["P", "post the batch"],
];

const POUCH: Key[] = [
  ["Enter", "record the receipt; its fields are empty for the next"],
  ["Tab", "the next field; the day and the method stay as they are"],
  ["Space", "tick a receipt where the focus is on its box"],
  ["A", "tick all that can be carried to the bank"],
  ["B", "bank what is ticked: make a deposit of it"],
];

const MAKING: Key[] = [["Ctrl + Enter", "make the deposit, book the till’s day"]];

const STEPPING: Key[] = [["J  K", "next and previous entry"]];

const EVERYWHERE: Key[] = [
  ["/", "search everything"],
  ["↑  ↓  Enter", "in what was found: choose, open"],
  ["U", "undo the last step, and again the one before"],
  ["Esc", "close what is open in front"],
  ["?", "this list"],
];

const VIEWS: [string, string, Key[]][] = [
  ["/waiting/desk", "At the desk", DESK],
  ["/waiting/lockbox/", "In a lockbox batch", BATCH],
  ["/waiting/from-us", "Money from us", STEPPING],
  ["/pouch/deposits", "Deposits", MAKING],
  ["/pouch/takings", "Over the counter", MAKING],
  ["/pouch", "In the pouch", POUCH],
];

/** The keys of the view at an address, with its name, and those that hold everywhere. */
export function keysOf(path: string): { name: string; keys: Key[] }[] {
  const view = VIEWS.find(([start]) => path.startsWith(start));
  return [...(view ? [{ name: view[1], keys: view[2] }] : []), { name: "Everywhere", keys: EVERYWHERE }];
}
