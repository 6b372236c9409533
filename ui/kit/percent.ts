/** A share in words: 0.8 is "80 %". */
export const percent = (share: number): string => `${Math.round(share * 100)} %`;
