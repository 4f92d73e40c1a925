import { Immer } from 'immer'

// Whoever gets a document owns it: nothing is frozen.
const { produce } = new Immer({ autoFreeze: false })

/**
 * A document after an edit. The one given is not touched; parts that the edit leaves alone are shared by both, and an edit
 * that changes nothing gives the document itself. In the edit it is changed in place.
 * @example edited(study, (draft) => void (draft.name = 'Mill'))
 */
export const edited = <T extends object>(document: T, edit: (draft: T) => void): T =>
  produce(document, (draft) => void edit(draft as T))
