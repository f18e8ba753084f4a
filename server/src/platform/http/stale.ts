import { AppError } from './app-error'

/** Refuses an action on a revision that is not the newest any more. */
export function refuseStale({ revision }: { readonly revision: number }, asked: number): void {
  if (revision !== asked) throw new AppError('REVISION_STALE')
}

/** Runs an action; where its revision is stale, the refusal carries what stands now, read once the action's transaction is over. */
export async function answeringStale<Result>(
  act: () => Promise<Result>,
  current: () => Promise<unknown>,
): Promise<Result> {
  try {
    return await act()
  } catch (error) {
    if (error instanceof AppError && error.code === 'REVISION_STALE')
      throw new AppError('REVISION_STALE', { body: { current: await current() } })
    throw error
  }
}
