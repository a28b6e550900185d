/** Acts that several screens have: one key each, wherever they are, and on every screen that key is for nothing else. */
export interface SharedKey {
  readonly keys: readonly string[];
  readonly says: string;
  /** Ids of the commands that are this act. */
  readonly ids: readonly string[];
}

export const SHARED_KEYS: readonly SharedKey[] = [
  { keys: ['Backspace'], says: 'to the board', ids: ['board'] },
  { keys: ['Home'], says: 'to the bench', ids: ['bench'] },
  { keys: ['End'], says: 'to the rig', ids: ['rig'] },
  { keys: ['Insert'], says: 'to the parts', ids: ['parts'] },
  { keys: ['%'], says: 'to the outcomes', ids: ['outcomes'] },
  { keys: ['?'], says: 'the keys of this screen', ids: ['help'] },
  { keys: ['@'], says: 'initials', ids: ['initials'] },
  { keys: ['ArrowDown'], says: 'the next one', ids: ['next'] },
  { keys: ['ArrowUp'], says: 'the one before', ids: ['previous'] },
  { keys: ['ArrowRight'], says: 'later', ids: ['later'] },
  { keys: ['ArrowLeft'], says: 'earlier', ids: ['earlier'] },
  { keys: ['Enter'], says: 'go on with what is chosen', ids: ['open', 'work', 'enter'] },
  { keys: ['Escape'], says: 'stop, leave, close', ids: ['cancel', 'leave', 'shut'] },
  { keys: ['v'], says: 'turn the board over', ids: ['flip'] },
  { keys: ['n'], says: 'add', ids: ['new-board', 'add', 'add-tool', 'add-part', 'choose-files', 'note'] },
  { keys: ['a'], says: 'accept and go on', ids: ['accept', 'begin', 'place'] },
  { keys: ['p'], says: 'print', ids: ['print'] },
  { keys: ['+', '='], says: '10 °C hotter', ids: ['hotter'] },
  { keys: ['-'], says: '10 °C cooler', ids: ['cooler'] },
  { keys: ['>'], says: 'more air', ids: ['more-flow'] },
  { keys: ['<'], says: 'less air', ids: ['less-flow'] },
  { keys: ['t'], says: 'next tip or nozzle', ids: ['next-tip', 'next-nozzle'] },
  { keys: ['q'], says: 'mark findings on the pads', ids: ['mark'] },
];
