import { database, type DraftPlan, type DraftRow } from './database';

/** Notes that a take begins, so that it can be recovered. */
export async function beginDraft(row: DraftRow): Promise<void> {
  await database.drafts.put(row);
}

export async function planDraft(takeId: string, plan: DraftPlan): Promise<void> {
  await database.drafts.update(takeId, { plan });
}

/** Adds the sound heard since the last piece. */
export async function addDraftPiece(takeId: string, samples: Int16Array<ArrayBuffer>): Promise<void> {
  await database.draftPieces.add({ takeId, samples });
}

export async function forgetDraft(takeId: string): Promise<void> {
  const { drafts, draftPieces } = database;
  await database.transaction('rw', [drafts, draftPieces], async () => {
    await drafts.delete(takeId);
    await draftPieces.where('takeId').equals(takeId).delete();
  });
}

/** Takes of which only a draft is here: of a page that was closed, or that could not be kept. */
export async function draftIds(): Promise<string[]> {
  return database.drafts.toCollection().primaryKeys();
}

/** A draft with its sound put together; undefined when there is none. */
export async function leftDraft(
  takeId: string,
): Promise<{ draft: DraftRow; samples: Int16Array<ArrayBuffer> } | undefined> {
  const draft = await database.drafts.get(takeId);
  if (!draft) return undefined;
  const pieces = await database.draftPieces.where('takeId').equals(takeId).sortBy('id');
  const samples = new Int16Array(pieces.reduce((sum, piece) => sum + piece.samples.length, 0));
  let at = 0;
  for (const piece of pieces) {
    samples.set(piece.samples, at);
    at += piece.samples.length;
  }
  return { draft, samples };
}
