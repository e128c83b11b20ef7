/** Weathers to try, as one says them. */
export const WEATHERS: Record<string, { name: string; warmer_c: number; rain_times: number }> = {
  usual: { name: 'as it is usual', warmer_c: 0, rain_times: 1 },
  cool: { name: 'cool: 3 degrees less', warmer_c: -3, rain_times: 1 },
  hot: { name: 'hot: 3 degrees more', warmer_c: 3, rain_times: 0.6 },
  wet: { name: 'wet: twice the rain', warmer_c: -1, rain_times: 2 },
  dry: { name: 'dry: half the rain', warmer_c: 1, rain_times: 0.5 },
};
