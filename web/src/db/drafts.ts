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

/** Drafts left by a page that was closed in the middle of a take, with their sound put together. */
export async function leftDrafts(): Promise<{ draft: DraftRow; samples: Int16Array<ArrayBuffer> }[]> {
  const drafts = await database.drafts.toArray();
  return Promise.all(
    drafts.map(async (draft) => {
      const pieces = await database.draftPieces.where('takeId').equals(draft.takeId).sortBy('id');
      const samples = new Int16Array(pieces.reduce((sum, piece) => sum + piece.samples.length, 0));
      let at = 0;
      for (const piece of pieces) {
        samples.set(piece.samples, at);
        at += piece.samples.length;
      }
      return { draft, samples };
    }),
  );
}
