/** Share of a condenser or receiver that liquid may take: 80 %, common practice (75 to 80); an organisation may choose less. */
export const USUAL_SHARE = 0.8;
