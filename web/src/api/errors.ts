/** What the server said went wrong, as a sentence for people. */
export class ApiError extends Error {}

/** A choice was made on a version that no longer holds. */
export class StaleError extends ApiError {
  constructor(
    message: string,
    /** The version that holds now. */
    readonly version: number,
    /** What changed since, in words. */
    readonly meanwhile: string,
  ) {
    super(message);
  }
}
