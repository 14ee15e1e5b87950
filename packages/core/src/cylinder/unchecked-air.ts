/** AHRI 700 allows as much in a refrigerant as it is sold, and nobody has looked: so much is counted where no check was made. */
export const UNCHECKED_AIR = 0.015;
