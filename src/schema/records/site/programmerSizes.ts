/** Sizes that parts have, bytes. */
export const MEMORY_SIZES = [256, 1024, 2048, 8192, 32_768, 131_072, 524_288, 1_048_576] as const;
