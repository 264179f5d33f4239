/* Roots as fractions, so that sums with them stay exact: √3 to a part in ten thousand million, √2 to a part in three thousand million. */

export const ROOT3 = [70226, 40545] as const;
export const ROOT2 = [47321, 33461] as const;
