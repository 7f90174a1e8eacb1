/**
 * Advance widths of Archivo, the typeface that ships with the application, from space to tilde, in
 * thousandths of the size.
 * Read from the font files; the drawing program sets the text itself, so this only decides what fits.
 */
const ADVANCES = {
  400: `209 273 374 582 510 950 692 209 355 355 407 625 277 333 277 294 573 521 567 573 555 571 573 553 574 573 296 296 625 625
    625 578 1005 682 698 728 734 677 612 796 736 267 559 662 536 847 736 788 665 788 727 673 606 731 648 924 680 655 635 296
    294 296 625 485 187 545 567 519 567 548 280 556 563 225 223 514 225 860 563 570 567 567 332 510 297 562 504 723 513 504
    498 353 245 353 625`,
  700: `196 301 456 600 556 973 764 253 364 364 407 641 307 333 307 300 595 596 596 596 597 595 596 596 596 595 335 335 641 641
    641 613 1001 724 722 733 739 683 622 802 754 301 603 725 591 872 754 793 681 793 730 679 641 748 694 964 706 699 653 350
    300 350 641 518 228 580 608 573 608 584 325 607 602 267 264 570 267 891 602 613 608 608 380 556 342 601 547 798 572 547
    519 393 253 393 641`,
};
/** Letters beyond the table (accents, dashes) are near this. */
const OTHER = 580;

const read = (table: string) => table.split(/\s+/).map(Number);
const REGULAR = read(ADVANCES[400]);
const BOLD = read(ADVANCES[700]);

/** Width of a line of text, in the unit of its size. */
export function textWidth(words: string, size: number, weight = 400): number {
  const advances = weight >= 600 ? BOLD : REGULAR;
  let sum = 0;
  for (const letter of words) sum += advances[letter.codePointAt(0)! - 32] ?? OTHER;
  return (sum / 1000) * size;
}
