import { BY_PATTERN, LENGTH_PATTERN, SHEET_NAME_PATTERN, sizeOfSheet } from '../length/index.ts';
import { ONES_WORDS, TENS_WORDS } from './numbers.ts';

/* Ways of saying things that the words and values alone do not tell, each turned into the usual way to say it. */

/** Ways to lay paper that are said in several words, and hold no number. */
const SAYINGS =
  /\b(half\s+(and\s+half|base|page)|page\s+mat|edge\s+to\s+edge|side\s+by\s+side|(?:half|quarter|semi)\s+(?:circle|moon)s?)\b/giu;
/** The same, said at length. */
const HALF_PAGE = /\bhalf\s+(?:of\s+)?(?:the|a|my)\s+(page|base)\b/giu;
const ONE_HALF = /\b(left|right|top|bottom|upper|lower)\s+half\b(?!\s+(?:an?\s+)?(?:inch|in\b(?!\s+\p{L})|mm|cm))/giu;
const OTHER_HALF =
  /\b(?:the\s+)?(?:other\s+)?half\b(?!\s*(?:-|an?\b|base\b|page\b|circle|moon|and\s+half|inch|in\b\s*(?:gap|overlap|tuck)|mm|cm|\d))/giu;
/** `half-inch`, `1/4-inch`, `12-in`. */
const HYPHENED =
  /(?<=\d|\b(?:half|third|quarter|eighth|sixteenth|one|two|three|four|five|six|eight|ten|twelve))-(?=(?:inch|inches|in|mm|cm)\b)/giu;
const SIZE_SAID = `${LENGTH_PATTERN}${BY_PATTERN}${LENGTH_PATTERN}`;
const NUMBER_SAID = String.raw`(?:\d{1,3}|${ONES_WORDS.join('|')}|a\s+dozen)`;
/** Sizes that prints come in. */
export const PRINT_SIZE_PATTERN =
  '(?:2x3|3x3|3x4|4x3|3x5|5x3|4x4|4x6|6x4|5x5|5x7|7x5|6x6|6x8|8x6|8x8|8x10|10x8|12x12)'.replaceAll('x', BY_PATTERN);
const PHOTOS = '(?:photos?|pictures?|prints?|pics?)';
/** What is said in a roundabout way, and how it is said plainly. */
const PLAINLY: readonly (readonly [RegExp, string])[] = [
  // `2 x 3 cards from letter`
  [/\b(from|out\s+of|on)\s+(?:an?\s+)?letter\s*(?=$|[,;.?])/giu, '$1 letter size'],
  // `photo in the middle of a 12 x 12, 5 x 7`
  [
    new RegExp(
      String.raw`^\s*(?:an?\s+|my\s+|the\s+)?(${PHOTOS})\s+in\s+the\s+(?:middle|centre|center)\s+of\s+(?:an?\s+|my\s+|the\s+)?(${SIZE_SAID})\s*(?:page|base|sheet)?\s*,\s*(${SIZE_SAID})\s*$`,
      'iu',
    ),
    'centre a $3 $1 on a $2',
  ],
  // `three 4 x 6 in a row on 12 x 12, how much between`
  [
    new RegExp(
      String.raw`^\s*(${NUMBER_SAID})\s+(${SIZE_SAID})\s*(?:${PHOTOS})?\s*(?:in\s+a\s+row|side\s+by\s+side)\s+(?:on|across|over)\s+(?:an?\s+|my\s+|the\s+)?(${LENGTH_PATTERN})(?:${BY_PATTERN}${LENGTH_PATTERN})?\s*(?:page|base|sheet)?\s*(?:,\s*(?:and\s+)?(?:how\s+(?:much|big|wide)\s+(?:is\s+|are\s+)?(?:the\s+)?(?:gaps?|space)?\s*(?:is\s+)?(?:between|left)?|what\s+gaps?|even(?:ly)?(?:\s+spaced)?))?\s*\??\s*$`,
      'iu',
    ),
    '$1 $2 strips across $3',
  ],
  // `how large a print goes on a 6 x 8 mat`
  [
    new RegExp(
      String.raw`\bhow\s+(?:large|big)\s+(?:an?\s+)?(print|photo|picture)\s+(?:would\s+|will\s+|can\s+|could\s+)?(?:i\s+(?:put|lay|have|get)\s+)?(?:fits?|goes|go)?\s*(?:on|in|for|onto)\b`,
      'iu',
    ),
    'largest $1 on',
  ],
  // `banner 12 long with 6 flags`: all of them together
  [
    new RegExp(
      String.raw`\b(?:banner|bunting)\s+(${LENGTH_PATTERN})\s*(?:inches|inch|in)?\s+(?:long|wide)\s*,?\s*(?:with|of|and|has)?\s+(${NUMBER_SAID})\s+(flags|pennants|banners|triangles)\b`,
      'iu',
    ),
    '$2 $3 across $1',
  ],
  [new RegExp(String.raw`\bv[\s-]?cut\s+(?=${LENGTH_PATTERN})`, 'iu'), 'fishtail '],
  // `I have a 4 x 6 and want 1/4 inch of kraft all round it`
  [
    new RegExp(
      String.raw`^\s*i(?:\s+have|['’]ve\s+got)\s+(?:an?\s+)?(${SIZE_SAID})\s*${PHOTOS}?\s*(?:,|and)\s*(?:i\s+)?(?:want|need|would\s+like)\s+(?:an?\s+)?(${LENGTH_PATTERN})\s*(?:inches|inch|in)?\s+(?:of\s+)?(?:\p{L}+\s+){0,2}?(?:all\s+)?(?:the\s+way\s+)?a?round(?:\s+it)?\s*$`,
      'iu',
    ),
    'mat for a $1, $2 showing',
  ],
  [new RegExp(String.raw`\b(${NUMBER_SAID})\s+layers\s+(?:behind|under)\s+`, 'iu'), '$1 mats for '],
  // `panel 8 x 10 centred on 8 1/2 x 11`
  [
    new RegExp(
      String.raw`^\s*(?:an?\s+)?(?:panel\s+)?(${SIZE_SAID})\s*(?:panel\s+)?(?:centred|centered)\s+on\s+(?:an?\s+|my\s+|the\s+)?(${SIZE_SAID})`,
      'iu',
    ),
    'page $2, panel $1',
  ],
  // `3 x 3 squares of 3 3/4`, `2 columns and 4 rows of 2 x 3`
  [
    new RegExp(
      String.raw`^\s*(\d{1,2})\s*(?:x|×|by)\s*(\d{1,2})\s+squares\s+of\s+(${LENGTH_PATTERN})(?!\s*(?:x|×|by)\b)`,
      'iu',
    ),
    'grid $1 columns, $2 rows, cells $3 x $3',
  ],
  [
    new RegExp(
      String.raw`^\s*(${NUMBER_SAID})\s+columns?\s*(?:and|,|by)\s*(${NUMBER_SAID})\s+rows?\s+of\s+(${SIZE_SAID})`,
      'iu',
    ),
    'grid $1 columns, $2 rows, cells $3',
  ],
  [/\bforked(?:\s+(?=ends?\b))?/giu, 'fishtail '],
  [/\bbunting(?:\s+of)?\s+triangles\b|\btriangle\s+bunting\b/giu, 'bunting'],
  [
    new RegExp(String.raw`\bletter\s+(?:tiles|squares)\s+(${LENGTH_PATTERN})\s*(?:inch|in)?\s*square\b`, 'iu'),
    'letters $1 x $1',
  ],
  [/(?<!\bfor\s+an?\s+)\b(a[2-7])\s+envelopes?\b/giu, 'envelope for an $1 card'],
  [new RegExp(String.raw`^\s*ruled\s+lines\s+(?=${LENGTH_PATTERN})`, 'iu'), 'journaling lines '],
  [/\bfrom\s+(?:an?\s+|my\s+)?(?:patterned|plain|solid|striped|dotted|floral)\s+(?:paper|cardstock)\b/giu, ''],
  // `starburst 12 rays, 12 x 12`
  [
    new RegExp(
      String.raw`\b(?:sunburst|starburst)\s*,?\s*(?:with\s+|of\s+)?(${NUMBER_SAID})\s+rays\s*(?:,|on|for)?\s*(?:an?\s+)?(${SIZE_SAID})`,
      'iu',
    ),
    '$1 rays on $2',
  ],
  // `half circles 1 1/2 across the bottom of 12`
  [
    new RegExp(
      String.raw`(?<=\b(?:half|quarter|semi)[\s-]?circles?\b.*)\bacross\s+the\s+(?:bottom|top|edge)\s+of\s+(?:an?\s+|my\s+|the\s+)?(?=${LENGTH_PATTERN})`,
      'iu',
    ),
    'along ',
  ],
  // `a page half blue half cream` has no half inch
  [
    /\bhalf\s+(?!an?\b|inch|in\b|the\b|my\b|of\b|and\b|page\b|base\b|circle)(\p{L}+)\s*,?\s*(?:and\s+)?half\s+(?!an?\b|inch|in\b|page\b|base\b|circle)(\p{L}+)/giu,
    'half and half',
  ],
  [
    new RegExp(String.raw`\bscallops\s+(?:of\s+)?(${LENGTH_PATTERN})\s*(?:inch|in)?\s+(?:wide|across)(?!\s+\d)`, 'iu'),
    'repeat $1',
  ],
  // `leave 1/4 around a 12 x 12`
  [
    new RegExp(
      String.raw`^\s*leave\s+(?:an?\s+)?(${LENGTH_PATTERN})\s*(?:inches|inch|in)?\s+(?:showing\s+)?(?:all\s+)?a?round\s+(?:an?\s+|my\s+|the\s+)?(${SIZE_SAID})\s*(?:page|base|sheet)?\s*$`,
      'iu',
    ),
    'page $2, panel showing $1',
  ],
  // `grid 2 across 3 down, photos 3 x 4`: how many there are is said, so that it is how large they are
  [
    new RegExp(
      String.raw`(?<=\bgrid\b.*\b(?:across|columns?)\b.*\b(?:down|rows?)\b.*)\b(?:photos|pictures|prints)\s+(?:of\s+|are\s+)?(${SIZE_SAID})`,
      'iu',
    ),
    'cells $1',
  ],
  // `pocket 5 x 7 with three glued sides 1/4`
  [
    new RegExp(String.raw`\b(two|three)\s+glued?\s+(?:sides|edges)\s*(?:of\s+|,\s*)?(${LENGTH_PATTERN})`, 'iu'),
    '$2 glue on $1 sides',
  ],
  // `stitch around a 4x6 1/8 from the edge`
  [
    new RegExp(
      String.raw`(?<![\d/.]\s?)(${PRINT_SIZE_PATTERN})\s+(\d{1,2}\/\d{1,2})(?=\s*(?:inch|in)?\s+(?:in\s+)?(?:from|showing|shows?|border|reveal|gaps?|inset|all\s+round|a?round|on\s+(?:each|all|every)|apart|between)\b)`,
      'iu',
    ),
    '$1, $2',
  ],
  // `cut an 8 1/2 x 11 into 3 x 4 cards`: pieces of it, and none is folded
  [
    new RegExp(
      String.raw`^\s*(?:cut|divide|split)\s+(?:up\s+)?(?:an?\s+|one\s+|my\s+|the\s+)?(${SIZE_SAID})\s*(?:sheet|paper|page)?\s+(?:up\s+)?into\s+(${SIZE_SAID})\s*(?:inch\s+)?(?:cards|pieces|tickets|blocks|mats|rectangles|cells|tiles)\s*$`,
      'iu',
    ),
    'cells $2 from $1',
  ],
  // `3 by 2 photo grid, 4x4 photos`
  [
    new RegExp(String.raw`\b(\d{1,2}\s*(?:x|×|by)\s*\d{1,2})\s+(?:photo|picture)\s+grid\b[\s,]*(?:of\s+)?`, 'iu'),
    '$1 grid of ',
  ],
  // `base 12x12, mat 11 3/4, mat 11 1/2`: each lies on the one before
  [new RegExp(String.raw`(?<=^\s*(?:an?\s+)?base\s+${SIZE_SAID}\s*,.*)\b(?:mat|layer)(?=\s+\d)`, 'giu'), 'panel'],
  // `pennants 2 x 3, seven across 12`, `hexagons 2 inches, 7 across`
  [
    new RegExp(
      String.raw`(?<!\bband\b.*)(?<=,\s*)(${NUMBER_SAID})\s+across(?=\s*$|\s+(?:an?\s+|the\s+|my\s+)?${LENGTH_PATTERN}(?!\s*down))`,
      'giu',
    ),
    '$1 of them across',
  ],
  [/\bof\s+them\s+across\s*$/iu, 'of them'],
  // `strip of 12 inches in 4 equal blocks`
  [
    new RegExp(
      String.raw`^\s*(?:an?\s+|my\s+|the\s+)?(?:strip|band)\s+(?:of\s+)?(${LENGTH_PATTERN})\s*(?:inches|inch|in(?=\s+in)|long)?\s*(?:long\s+)?(?:cut\s+|split\s+|divided\s+)?in(?:to)?\s+(${NUMBER_SAID})\s+(?:equal\s+|even\s+)?(?:parts|pieces|sections|blocks)\s*$`,
      'iu',
    ),
    'band $1 long, $2 blocks butted',
  ],
  [/\b(?:elsewhere|everywhere\s+else)\b/giu, 'on the other sides'],
  // `bunting, 9 flags 1 inch wide on 12`
  [
    new RegExp(
      String.raw`(?<=\b(?:bunting|banners?|pennants?|flags?)\b.*)\bon\s+(${LENGTH_PATTERN})(?!\s*(?:x|×|by)\b)(?=\s*(?:inches|inch|in)?\s*$)`,
      'iu',
    ),
    'across $1',
  ],
  // `band 12 wide: 4, 3, rest`, `band 12: 4, 3, 5`
  [new RegExp(String.raw`(?<=\bband\s+${LENGTH_PATTERN}\s*(?:inches|inch|in)?)\s*(?:wide\s*)?(?=:)`, 'iu'), ' long'],
  [new RegExp(String.raw`\bhole\s+(?=${LENGTH_PATTERN}\s*(?:inches|inch|in)?\s+down\b)`, 'iu'), 'hole, '],
  [
    new RegExp(
      String.raw`(?<=\b(?:half|quarter|semi)[\s-]?circles?\s+${LENGTH_PATTERN}\s*(?:inches|inch|in)?\s*)across(?=\s+\d)`,
      'iu',
    ),
    'along',
  ],
  [new RegExp(String.raw`\brest\s+on\s+(${LENGTH_PATTERN})(?!\s*(?:x|×|by)\b)`, 'iu'), 'rest, across $1'],
  // `four circles 2 1/2 inches in a row`
  [
    new RegExp(
      String.raw`^\s*(${NUMBER_SAID})\s+(circles|hexagons|stars|hearts|triangles)\s+(${LENGTH_PATTERN})\s*(?:inches|inch|in(?!\s+a\b))?\s+(?=in\s+a\s+row\b)`,
      'iu',
    ),
    '$1 $3 inch $2 ',
  ],
  [/\bletter-size(?:d)?\b/giu, 'letter size'],
  // `half base 12x12, 5 inches at the bottom`
  [new RegExp(String.raw`^\s*half\s+base\s+(${SIZE_SAID})(?=\s*,)`, 'iu'), 'half base on $1 page'],
  // `mat for a square photo 3 1/2`
  [
    new RegExp(String.raw`\bsquare\s+(photo|print|picture)\s+(${LENGTH_PATTERN})(?!\s*(?:x|×|by)\b)`, 'iu'),
    '$1 $2 x $2',
  ],
  // `split a 12 x 12 page down the middle`, `half of a 12x12 blue`
  [
    new RegExp(
      String.raw`^\s*(?:split|divide)\s+(?:an?\s+|the\s+|my\s+)?(${SIZE_SAID})\s*(?:page|base|layout)?\s+(?:down|through|in)\s+the\s+(?:middle|centre|center)\b`,
      'iu',
    ),
    'half and half on $1 page',
  ],
  [
    new RegExp(
      String.raw`^\s*half\s+of\s+(?:an?\s+|the\s+|my\s+)?(${SIZE_SAID})(?:\s+(?:page|base|layout))?(?=\s|,|$)`,
      'iu',
    ),
    'half and half on $1 page',
  ],
  // `what print fits a 6 x 6 scrap`: the largest that does
  [
    /\bwhat\s+(?:size\s+)?(print|photo|picture)\s+(?:would\s+|will\s+|can\s+)?(?:fits?|goes|go)\b(?:\s+(?:on|in|from))?/iu,
    'largest $1 on',
  ],
  // `2x2 grid of 3 inch photos`
  [new RegExp(String.raw`\bgrid\s+of\s+(${LENGTH_PATTERN})\s*(?:inch|in)?\s+${PHOTOS}`, 'iu'), 'grid of $1 cells'],
  // `a hole 1/4 from the top`
  [new RegExp(String.raw`\bhole\s+(${LENGTH_PATTERN})\s*(?:inch|in)?\s+from\s+the\s+top\b`, 'iu'), 'hole, $1 down'],
  [new RegExp(String.raw`^\s*lines\s+(?=${LENGTH_PATTERN}\s*(?:inch|in)?\s+apart)`, 'iu'), 'journaling lines '],
  [new RegExp(String.raw`\bjoin\s+(${NUMBER_SAID})\s+(?:sheets|pieces)\s+of\s+`, 'iu'), 'join $1 '],
  [new RegExp(String.raw`\b(?:frame\s+mat|mat)\b(?=.*${SIZE_SAID}.*\b(?:opening|window)\b)`, 'iu'), 'hollow mat'],
  // `2 1/2 inch circle from 3 x 3`
  [
    new RegExp(String.raw`^\s*(?:an?\s+|one\s+)?(${LENGTH_PATTERN})\s*(?:inch|in)?\s+circle\s+(?=from\s)`, 'iu'),
    'circles $1, 1 of them, ',
  ],
  // `half circles 3 inches, row of 4`
  [new RegExp(String.raw`\brow\s+of\s+(${NUMBER_SAID})(?=\s*(?:$|,|;))`, 'iu'), 'row, $1 of them'],
  // `12 inch strip in 5 equal parts`
  [
    new RegExp(
      String.raw`^\s*(?:an?\s+|my\s+|the\s+)?(${LENGTH_PATTERN})\s*(?:inch|in)?\s+(?:long\s+)?(?:strip|band)\s+(?:cut\s+|split\s+|divided\s+)?in(?:to)?\s+(${NUMBER_SAID})\s+(?:equal\s+|even\s+)?(?:parts|pieces|sections|blocks)\s*$`,
      'iu',
    ),
    'band $1 long, $2 blocks butted',
  ],
  [
    new RegExp(
      String.raw`\bband\b(.*?),?\s+(?:cut\s+|split\s+|divided\s+)?in(?:to)?\s+(${NUMBER_SAID})\s+(?:equal\s+|even\s+)?(?:parts|pieces|sections)\b`,
      'iu',
    ),
    'band$1, $2 blocks',
  ],
  // `a mat 6 x 8 with the centre taken out`
  [
    /\bmat\b(.*?),?\s+with\s+(?:the\s+|its\s+)?(?:centre|center|middle)\s+(?:taken|cut|hollowed|removed)(?:\s+(?:out|away))?\b/iu,
    'hollow mat$1',
  ],
  [
    new RegExp(String.raw`(${LENGTH_PATTERN})\s*(?:inch|in)?\s+left\s+(?:all\s+)?(?:the\s+way\s+)?a?round\b`, 'iu'),
    'leaving $1',
  ],
  [/\bgate-?fold\b/giu, 'gate fold'],
  [/\bfolded\s+in\s+half\b/giu, 'folded'],
  [/\bsquare\s+(?=envelopes?\b)/giu, ''],
  // `A5 card with a 5 mm mat`: it lies on the card
  [
    new RegExp(
      String.raw`\b((?:a[3-7]|${SIZE_SAID})\s+card)\s+with\s+(?:an?\s+)?(${LENGTH_PATTERN})\s*(?:inch|in)?\s+(?:mat|layer)\b`,
      'iu',
    ),
    'folded $1 with panel $2',
  ],
  // `4 x 6 photo cropped to 3 1/2 x 5, mat 1/8`
  [
    new RegExp(
      String.raw`^\s*(?:(?:crop|trim)\s+)?(?:an?\s+|my\s+)?(?:${PHOTOS}\s+)?(${SIZE_SAID})\s*(?:${PHOTOS}\s+)?(?:(?:cropped|trimmed|cut)\s+)?(?:down\s+)?to\s+(${SIZE_SAID})\s*(?:,|and|with)?\s*(?:an?\s+)?(?=.*\bmat)`,
      'iu',
    ),
    'print $2, ',
  ],
  [new RegExp(String.raw`^\s*(?:an?\s+)?card\s+base\s+(${SIZE_SAID})\s*$`, 'iu'), 'folded card $1'],
  [/\bquadruple\s+mats?\b/giu, '4 mats'],
  [
    new RegExp(
      String.raw`^\s*(?:an?\s+)?(${SIZE_SAID})\s+card\s+with\s+(?:an?\s+)?(${LENGTH_PATTERN})\s*(?:inch|in)?\s+mat\b`,
      'iu',
    ),
    'folded card $1 with panel $2',
  ],
  // `2 inch circles, 12`
  [
    new RegExp(
      String.raw`^\s*(${LENGTH_PATTERN})\s*(?:inch|in)?\s+(circles|squares|hexagons|stars|hearts|triangles)\s*,\s*(\d{1,3})\s*$`,
      'iu',
    ),
    '$3 $2 $1',
  ],
  // `how big are the squares for 5 by 5 on 12`
  [
    new RegExp(
      String.raw`\bhow\s+(?:big|large|wide)\s+are\s+(?:the\s+)?(?:squares|cells)\s+(?:(?:if|when)\s+i\s+(?:want|put|lay|have|need)|for|when|in|with)\s+(?=\d{1,2}\s*(?:x|×|by)\s*\d{1,2}\b)`,
      'iu',
    ),
    'grid ',
  ],
  // `an 8 x 8 page divided in 4 squares`
  [
    new RegExp(
      String.raw`^\s*(?:an?\s+)?(${SIZE_SAID})\s*(?:page|sheet|paper)?\s+(?:divided|split|cut|parted)\s+in(?:to)?\s+(?=${NUMBER_SAID}\s+(?:equal\s+)?squares\b)`,
      'iu',
    ),
    'cut $1 into ',
  ],
  // `1/4 outer, 1/8 inner`: from the print outward
  [
    new RegExp(
      String.raw`(${LENGTH_PATTERN})\s*(?:inch|in)?\s+(?:outer|outside)\s*(?:,|and)?\s*(${LENGTH_PATTERN})\s*(?:inch|in)?\s+(?:inner|inside)\b`,
      'iu',
    ),
    '$2, $1',
  ],
  [
    new RegExp(
      String.raw`(${LENGTH_PATTERN})\s*(?:inch|in)?\s+(?:inner|inside)\s*(?:,|and)?\s*(${LENGTH_PATTERN})\s*(?:inch|in)?\s+(?:outer|outside)\b`,
      'iu',
    ),
    '$1, $2',
  ],
  // `split 12 inches into 5 strips`
  [
    new RegExp(
      String.raw`^\s*(?:split|divide|cut)\s+(${LENGTH_PATTERN})(?!\s*(?:x|×|by)\b)\s*(?:inches|inch|in)?\s+(?:up\s+)?into\s+(${NUMBER_SAID}\s+(?:equal\s+)?strips\b)`,
      'iu',
    ),
    '$2 across $1',
  ],
  [
    new RegExp(
      String.raw`^\s*(?:divide|split|cut)\s+(?:up\s+)?(?:an?\s+|the\s+|my\s+)?(${SIZE_SAID})\s+in(?:to)?\s+(?=${NUMBER_SAID}\s+(?:equal\s+)?(?:squares|strips)\b)`,
      'iu',
    ),
    'cut $1 into ',
  ],
  // `trim a 4 x 6 to 3 1/2 x 5`
  [
    new RegExp(
      String.raw`^\s*trim\s+(?:an?\s+|my\s+|the\s+)?(${SIZE_SAID})\s+(?:down\s+)?to\s+(?:an?\s+)?(${SIZE_SAID})`,
      'iu',
    ),
    'trim a $1 photo to $2',
  ],
  // `a 5 x 7 card with a panel`
  [new RegExp(String.raw`^\s*(?:an?\s+)?(${SIZE_SAID})\s+card\s+with\b(?=.*\bpanel)`, 'iu'), 'folded card $1 with'],
  // where it goes is said, which is no size of it
  [
    new RegExp(
      String.raw`(\bstrips?\b.*${LENGTH_PATTERN}\s*(?:inch|inches|in)?\s+(?:down\s+)?)from\s+the\s+(top|bottom|left|right)\b`,
      'iu',
    ),
    '$1from-the-$2',
  ],
  // `panel for 8 1/2 x 11 showing 1/2`
  [
    new RegExp(
      String.raw`^\s*(?:an?\s+)?panel\s+(?:for|on)\s+(?:an?\s+|my\s+)?(${SIZE_SAID})\s*(?:page|base)?\s*(?:,|with)?\s*(?=showing|with|leaving|reveal)`,
      'iu',
    ),
    'page $1, panel ',
  ],
  // `journaling strips 5, 3/8 tall`
  [new RegExp(String.raw`\b(journall?ing\s+strips)\s+(\d{1,2})\s*,`, 'iu'), '$2 $1,'],
  // `12 x 12 cut in half`, `halve a 12 x 12`
  [
    new RegExp(
      String.raw`^\s*(?:cut\s+|halve\s+)?(?:an?\s+|the\s+|my\s+)?(${SIZE_SAID})\s*(?:sheet|paper)?\s+(?:cut\s+|split\s+)?in(?:to)?\s+(?:half|halves|two)\s*$`,
      'iu',
    ),
    'cut $1 into 2 strips',
  ],
  [
    new RegExp(String.raw`^\s*halve\s+(?:an?\s+|the\s+|my\s+)?(${SIZE_SAID})\s*(?:sheet|paper)?\s*$`, 'iu'),
    'cut $1 into 2 strips',
  ],
  // `a frame for a 3 x 3, 1/4 on the sides and 1 below`: it goes round all of it, as a mat does
  [
    new RegExp(
      String.raw`\bframe\s+(?:for|a?round)\s+(?=(?:an?\s+|the\s+|my\s+)?${SIZE_SAID}.*\b(?:sides?|top)\b.*\b(?:bottom|below)\b)(?!.*\b(?:opening|window|hole)\b)`,
      'iu',
    ),
    'mat for ',
  ],
  // `centre a 4 x 6 on a 12 x 12`: as wide a margin left and right, above and below
  [
    new RegExp(
      String.raw`^\s*(?:to\s+|how\s+(?:do\s+i|to)\s+)?(?:centre|center|middle)\s+(?:an?\s+|my\s+|the\s+)?(${SIZE_SAID})\s*(?:${PHOTOS}|panel|piece|mat)?\s+(?:on|in|onto)\s+(?:an?\s+|my\s+|the\s+)?(${SIZE_SAID})\s*(?:page|base|sheet)?\s*$`,
      'iu',
    ),
    'page $2, panel $1',
  ],
  // `a mat that turns a 4 x 6 into a 6 x 8`
  [
    new RegExp(
      String.raw`\bmat\s+(?:that\s+|to\s+)(?:turns?|makes?|brings?)\s+(?:an?\s+|my\s+|the\s+)?(${SIZE_SAID})\s*(?:${PHOTOS}\s+)?(?:in)?to\s+(?:an?\s+)?(${SIZE_SAID})`,
      'iu',
    ),
    'mat for a $1 that ends up $2',
  ],
  // `a mat 1/8 larger than a 2 1/2 x 3 1/2 photo on each side`
  [
    new RegExp(
      String.raw`\bmat\s+(${LENGTH_PATTERN})\s*(?:inch|in)?\s*(?:bigger|larger)\s+than\s+(?:an?\s+|my\s+|the\s+)?(${SIZE_SAID})\s*(?:${PHOTOS})?\s*on\s+(?:every|each|all)\s+(?:four\s+)?(?:sides?|edges?)`,
      'iu',
    ),
    'mat for a $2, $1 showing',
  ],
  // `1/8 bigger all the way round`: that much shows
  [
    new RegExp(
      String.raw`(${LENGTH_PATTERN})\s*(?:inch|in)?\s*(?:bigger|larger|wider)\s+(?:(?:all\s+)?(?:the\s+way\s+)?a?round|on\s+(?:every|each|all)\s+(?:four\s+)?(?:sides?|edges?))(?!\s+(?:an?|the|my)\b)`,
      'iu',
    ),
    '$1 showing',
  ],
  // `mat a 6 x 4 print leaving 3/16`
  [new RegExp(String.raw`^(?!.*\bhollow)(.*\bmat\b.*?)\bleaving\s+(?=${LENGTH_PATTERN})`, 'iu'), '$1 showing '],
  [/\ball\s+(?:of\s+)?the\s+way\s+a?round\b/giu, 'all round'],
  // `three layers of mat on a 5 x 7`
  [
    new RegExp(
      String.raw`\b(${NUMBER_SAID})\s+layers?\s+of\s+mat(?:s|ting)?\s+(?:on|behind|under|for|round|around)\s+`,
      'iu',
    ),
    '$1 mats for ',
  ],
  // `pocket 4 wide and 5 high`
  [
    new RegExp(
      String.raw`\b(pocket|tag|card|envelope|${PHOTOS})\b([^\d]*)(${LENGTH_PATTERN})\s*wide\s*(?:,|and|by|x)?\s*(${LENGTH_PATTERN})\s*(?:high|tall|long|deep)\b`,
      'iu',
    ),
    '$1$2$3 x $4',
  ],
  // `three 3 x 4 photos across a 12 inch page`
  [
    new RegExp(
      String.raw`^\s*(${NUMBER_SAID})\s+(${SIZE_SAID})\s*${PHOTOS}\s+across\s+(?:an?\s+|the\s+|my\s+)?(${LENGTH_PATTERN})(?!\s*(?:x|×|by)\b)(?!.*\bmat)`,
      'iu',
    ),
    '$1 $2 strips across $3',
  ],
  // `how wide are 4 strips on 12`
  [
    new RegExp(
      String.raw`\bhow\s+wide\s+(?:is|are|must|should|would)\s+(.*?\bstrips?\b.*?)(?:\s+be)?\s+(?:on|over|in)\s+(${LENGTH_PATTERN})(?!\s*(?:x|×|by)\b)`,
      'iu',
    ),
    '$1 across $2',
  ],
  // what is worked out in any case
  [
    /,?\s*\b(?:with\s+)?(?:equal|even|the\s+same)\s+(?:gaps?|spacing|spaces|gutters?)(?:\s+between(?:\s+them)?)?\s*$/iu,
    '',
  ],
  [/\b(?:layered|stacked)\s+(?=strips\b)/giu, ''],
  // `weave with 1/2 inch strips on 6 x 6`
  [
    new RegExp(
      String.raw`\b(weave|woven|weaving)\s+(?:with|of|from|using)\s+(${LENGTH_PATTERN})\s*(?:inch|in)?\s*(?:wide\s+)?strips\s+(?:on|over|for|covering|to\s+cover)\s+(?:an?\s+)?(${SIZE_SAID})`,
      'iu',
    ),
    '$1 $3, strips $2 wide',
  ],
  // `8 journaling lines, 1/4 inch`: so far apart
  [
    new RegExp(
      String.raw`^(\s*(?:${NUMBER_SAID})\s+journall?ing\s+(?:lines|strips)\s*,?\s*${LENGTH_PATTERN})\s*$`,
      'iu',
    ),
    '$1 apart',
  ],
  // `how many 4 x 6 cards from a 12 x 12`: flat, and side by side
  [
    new RegExp(
      String.raw`\b(how\s+many)\s+(${SIZE_SAID})\s*(?:cards?|pieces|rectangles|${PHOTOS})?\s+(?:can\s+i\s+(?:get|cut)\s+|fit\s+|come\s+|go\s+)?(?:from|out\s+of|on|in)\s+(?:an?\s+|one\s+|the\s+|my\s+)?(?=${SIZE_SAID}|(?:letter|legal|a[3-6])\b)(?!.*\bmat)`,
      'iu',
    ),
    '$1 $2 cells from ',
  ],
  [/\binto\s+(?:three|3)\s+equal\s+parts\b|\b(?:in|into)\s+thirds\b/giu, 'into 3 strips'],
  // of paper that is not square they are none
  [
    new RegExp(
      String.raw`(${LENGTH_PATTERN})\s*(?:x|×|by)\s*\1\s*(?:sheet|paper|page)?\s+(?:in|into)\s+(?:quarters|fourths)\b`,
      'iu',
    ),
    '$1 x $1 into 4 squares',
  ],
  [
    new RegExp(
      String.raw`^\s*quarter\s+(?:an?\s+|the\s+|my\s+)?(${LENGTH_PATTERN})\s*(?:x|×|by)\s*\1\s*(?:sheet|paper|page)?\s*$`,
      'iu',
    ),
    'cut $1 x $1 into 4 squares',
  ],
  [
    new RegExp(
      String.raw`\bsplit\s+(?=(?:an?\s+|the\s+|my\s+)?${SIZE_SAID}.*\binto\s+(?:${NUMBER_SAID})\s+(?:equal\s+)?(?:strips|squares)\b)`,
      'iu',
    ),
    'cut ',
  ],
  // `fill 12 inches with five strips`
  [new RegExp(String.raw`^\s*fill\s+(${LENGTH_PATTERN})\s*(?:inches|inch|in)?\s+with\s+(.+)$`, 'iu'), '$2 across $1'],
  [/\bchess\s?board\b/giu, 'checkerboard'],
  [/\b(?:from\s+)?flat\s+to\s+flat\b/giu, 'across the flats'],
  // `1/4 top and sides, 1 at the bottom`
  [/\b(?:on\s+|at\s+)?(?:the\s+)?top\s+and\s+(?:the\s+)?sides\b/giu, 'on-some-sides'],
  [new RegExp(String.raw`\bmat\s+(?:that\s+)?leaves\s+(?=${LENGTH_PATTERN})`, 'iu'), 'mat showing '],
  // `a 4 inch circle`
  [
    new RegExp(String.raw`^\s*(?:an?|one)\s+(${LENGTH_PATTERN})\s*(?:inch|in)?\s+circle\s*$`, 'iu'),
    'circles $1, 1 of them',
  ],
  [new RegExp(String.raw`\b(triangles?\b.*?${LENGTH_PATTERN})\s*(?:inch|in)?\s+base\b`, 'iu'), '$1 wide'],
  // `flags 1 1/2 wide and 2 long, 7`
  [/\b(wide|long|tall|high|flats|each|deep)\s*,\s*(\d{1,3})\s*$/iu, '$1, $2 of them'],
  // `6 lines 3 inches long, 3/8 apart`
  [
    new RegExp(
      String.raw`^(?!.*\b(?:stitch|journal|writing|text|words))(\s*${NUMBER_SAID}\s+(?:writing\s+)?lines\b.*\bapart\b)`,
      'iu',
    ),
    'journaling $1',
  ],
  // `slice a 12 inch sheet into five strips`: paper is square where one side is said
  [
    new RegExp(
      String.raw`\b(?:slice|chop|divide|cut|split)\s+(?:up\s+)?(?:an?\s+|the\s+|one\s+|my\s+)?(${LENGTH_PATTERN})\s*(?:inch|in)?\s+(?:sheet|paper|page|square)\s+(?:up\s+)?into\b`,
      'iu',
    ),
    'cut $1 x $1 into',
  ],
  [/\b(?:slice|chop|divide)\s+(?=.*\binto\b)/giu, 'cut '],
  [/\bwallet(?:[- ]sized?)?(?=\s+(?:photo|print|picture|pic)s?\b(?!\s+\d)|\s*$)/giu, '2 1/2 x 3 1/2'],
  [/(?<!\bhalf\s+)\b(?:one|a)\s+dozen\b/giu, 'dozen'],
  [/\b(?:evenly\s+spaced|spaced\s+(?:out\s+)?evenly)\b/giu, 'even'],
  [/\bswallow[- ]?tail(?:s|ed)?\b/giu, 'fishtail'],
  [/\bcheckered\b/giu, 'checkerboard'],
  [/(?<!\bletter\s+)\btiles\b/giu, 'squares'],
  // `leaving 3/8 all round`
  [new RegExp(String.raw`\bpanel\s+leaving\s+(?=${LENGTH_PATTERN})`, 'iu'), 'panel showing '],
  [/\btriang(?:le|ular)\s+banner\s+(?:with|of)\b/giu, 'bunting of'],
  // `4 x 6 photo and want a 1/4 inch border`: wanted round it, so it is no border that was printed
  [
    new RegExp(
      String.raw`(${SIZE_SAID})\s*${PHOTOS}\s*(?:,|and)?\s+(?:i\s+)?(?:want|need|would\s+like|add)s?\s+(?:an?\s+)?(${LENGTH_PATTERN})\s*(?:inch|in)?\s*border\b`,
      'iu',
    ),
    '$1 photo, mat $2',
  ],
  // `zigzag border`
  [/\b(?:zig-?\s?zag|saw-?\s?tooth|wavy|pointed)\s+border\b/giu, 'punched border'],
  // `A2 card with a mat 1/8`, `card 5 x 7 folded with layers 1/8 and 1/4`
  [
    /\bcard\b(?!\s*stock)((?:(?!\bphoto).)*?)\s+with\s+(?:an?\s+)?(?:mats?|layers?)\b(?!.*\bsmaller)/iu,
    'card base$1 with panel',
  ],
  // `slits to 3/8 from the middle`: that much stays
  [
    new RegExp(
      String.raw`\bslits?\s+(?:that\s+)?(?:go\s+|up\s+|stop\s+|stopping\s+)?(?:to\s+)?(${LENGTH_PATTERN})\s*(?:inch|in)?\s*(?:from|before|short\s+of|off)\s+the\s+(?:middle|centre|center)`,
      'iu',
    ),
    'stopping $1',
  ],
  // `11 3/4 square on 12 x 12`
  [
    new RegExp(String.raw`(${LENGTH_PATTERN})\s*(?:inch|in)?\s+square\s+(?=(?:on|in|onto)\s+(?:an?\s+)?\d)`, 'iu'),
    '$1 x $1 ',
  ],
  // `white 1/16 then navy 3/8 around a 4 x 6`
  [
    new RegExp(
      String.raw`^(?!.*\b(?:mats?|stitch\w*|holes?|lines?|borders?|frames?|strips?|punch\w*|edg\w+|all|scallop\w*|ribbon|twine)\b)(.*\d.*?)\s+a?round\s+(?:an?\s+|my\s+|the\s+)?(${SIZE_SAID})\s*${PHOTOS}?\s*$`,
      'iu',
    ),
    'mat $2, $1',
  ],
  // `twenty four`
  [new RegExp(String.raw`\b(${TENS_WORDS.join('|')})\s+(${ONES_WORDS.slice(1, 10).join('|')})\b`, 'giu'), '$1-$2'],
  // `squares to fill a 6 x 6`
  [new RegExp(String.raw`(?<=\S)\s+(?:to\s+fill|filling)\s+(?:an?\s+|the\s+)?(${SIZE_SAID})`, 'iu'), ' from $1'],
  [/\bpatchwork\s+of\s+(?=.*\bsquares\b)/giu, 'grid of '],
  [/\b(?:snapshot|snap)s?\b/giu, 'photo'],
  // `four across and three down`
  [
    new RegExp(String.raw`\b(${NUMBER_SAID})\s+across\s*(?:and|by|,)?\s*(${NUMBER_SAID})\s+down\b`, 'iu'),
    ', $1 columns, $2 rows',
  ],
  // `of different lengths, 4 to 6 long`
  [/\s+(?:of|in)\s+(?:different|various|varying|several)\s+lengths?\b/giu, ' '],
  [new RegExp(String.raw`(${LENGTH_PATTERN})\s+to\s+(${LENGTH_PATTERN})\s*(long|tall)\b`, 'iu'), 'shortest $1, $2 $3'],
  // `cut the middle out of a 12 x 12`
  [
    new RegExp(
      String.raw`\bcut\s+(?:out\s+)?the\s+(?:middle|centre|center|inside)\s+(?:out\s+)?(?:of|from)\s+(?:an?\s+|the\s+|my\s+)?(?=${SIZE_SAID})`,
      'iu',
    ),
    'hollow ',
  ],
  // `from strips 1/4 wide`
  [new RegExp(String.raw`\bfrom\s+strips\s+(${LENGTH_PATTERN})\s*wide\b`, 'iu'), 'of $1 strips'],
  // `card 6 x 6 with a mat 1/4 smaller`
  [new RegExp(String.raw`\bcard\b(.*?)\bmat\s+(${LENGTH_PATTERN})\s*smaller\b`, 'iu'), 'card$1panel $2 smaller'],
  [new RegExp(String.raw`^\s*holes\s+(?=.*\b(?:around|round|every|along)\b)`, 'iu'), 'stitch holes '],
  // `bottom third, 4 inches`: how much is said
  [
    /^\s*(?:the\s+)?(left|right|top|bottom|upper|lower)\s+(?:third|quarter|part)\b(?:\s+of\s+the\s+page)?(?=.*\d)/iu,
    'half-page $1',
  ],
  // `put together 12 x 12 from two 12 x 6`
  [
    new RegExp(
      String.raw`^\s*(?:put\s+together|assemble|make)\s+(?:an?\s+)?(?=${SIZE_SAID}\s+(?:from|out\s+of)\s+${NUMBER_SAID}\s+\d)`,
      'iu',
    ),
    '',
  ],
  // `to a square of 4`
  [new RegExp(String.raw`\bsquare\s+of\s+(${LENGTH_PATTERN})`, 'iu'), '$1 x $1'],
  // `cut a 5 x 7 down to 4 x 6`
  [
    new RegExp(
      String.raw`\bcut\s+(?:an?\s+|the\s+|my\s+)?(${SIZE_SAID})\s*(?:${PHOTOS}\s+)?(?:down\s+)?to\s+(?:an?\s+)?(${SIZE_SAID})`,
      'iu',
    ),
    'trim a $1 photo to $2',
  ],
  // `fill a 12 x 12 with 3 inch squares`
  [
    new RegExp(
      String.raw`(?:\bfill|^\s*cover)\s+(?:an?\s+|the\s+|my\s+)?(${SIZE_SAID})\s*(?:sheet|paper|page|base)?\s+with\s+(.+)$`,
      'iu',
    ),
    '$2 from $1',
  ],
  // `from a 12 inch sheet`: paper is square where one side is said
  [
    new RegExp(
      String.raw`\bfrom\s+(?:an?\s+|one\s+|the\s+)?(${LENGTH_PATTERN})\s*(?:in|inch)?\s+(?:sheet|paper|page)\b`,
      'iu',
    ),
    'from $1 x $1',
  ],
  // `three rows of four 2 x 3 photos, 1/4 apart`, `16 photos 2 x 2 with 1/8 between`: what lies in rows, with gaps
  [
    new RegExp(
      String.raw`\b(${NUMBER_SAID})\s+rows?\s+of\s+(${NUMBER_SAID})\s+(${SIZE_SAID})(?:\s*${PHOTOS})?(?!\w)(?!.*\bmat)`,
      'iu',
    ),
    'grid $2 columns, $1 rows, cells $3',
  ],
  [
    new RegExp(
      String.raw`\b(${NUMBER_SAID})\s+${PHOTOS}\s+(${SIZE_SAID})(?=.*\b(?:between|apart|gaps?|spac))(?!.*\bmat)`,
      'iu',
    ),
    '$1 cells $2',
  ],
  [
    new RegExp(
      String.raw`\b(${NUMBER_SAID})\s+(${SIZE_SAID})\s*${PHOTOS}(?=.*\b(?:between|apart|gaps?|spac))(?!.*\bmat)`,
      'iu',
    ),
    '$1 cells $2',
  ],
  // `turn a 4 x 6 into an 8 x 10`
  [
    new RegExp(
      String.raw`\b(?:make|turn|blow\s+up|enlarge)\s+(?:an?\s+|the\s+|my\s+)?(${SIZE_SAID})\s+(?:${PHOTOS}\s+)?(?:in)?to\s+(?:an?\s+)?(${SIZE_SAID})`,
      'iu',
    ),
    'print $1 as $2',
  ],
  // `12 x 12 from four 6 x 6 sheets`, `join two 8 1/2 x 11 to make 12 x 12`
  [
    new RegExp(
      String.raw`^\s*(${SIZE_SAID})\s+(?:from|out\s+of)\s+(${NUMBER_SAID})\s+(${SIZE_SAID})(?:\s+(?:sheets|pads|papers))?\s*$`,
      'iu',
    ),
    '$2 $3 make a $1',
  ],
  [
    new RegExp(
      String.raw`\bjoin\s+(${NUMBER_SAID})\s+(${SIZE_SAID})(?:\s+sheets|\s+papers)?\s+(?:to\s+make|into)\s+(?:an?\s+)?(${SIZE_SAID})`,
      'iu',
    ),
    '$1 $2 make a $3',
  ],
  // `8 x 8 page with a 1/4 border`
  [
    new RegExp(String.raw`(${SIZE_SAID}\s+(?:page|base|layout))\s+with\s+an?\s+(${LENGTH_PATTERN})\s*border\b`, 'iu'),
    '$1, panel with a $2 border',
  ],
  // `with 11 1/2 and 11 panels`
  [new RegExp(String.raw`\bwith\s+(${LENGTH_PATTERN})\s+and\s+(${LENGTH_PATTERN})\s*panels\b`, 'iu'), 'panels $1, $2'],
  // `square card 5 inches`, `a 5 inch square card`
  [new RegExp(String.raw`\bsquare\s+card(?:\s+of)?\s+(${LENGTH_PATTERN})`, 'iu'), 'folded card $1 x $1'],
  [new RegExp(String.raw`(${LENGTH_PATTERN})\s+square\s+card\b`, 'iu'), 'folded card $1 x $1'],
  // `a quarter of the page` is no length
  [/\b(?:an?\s+|one\s+)?(third|quarter)\s+of\s+(?:the|a|my)\s+(page|base|sheet)\b/giu, '$1-of-the-$2'],
  [/\bgut(?:ted|ting)?\b/giu, 'hollow'],
  // `20 holes along 5 inches`
  [new RegExp(String.raw`^\s*(${NUMBER_SAID})\s+holes\b`, 'iu'), 'stitch $1 of them,'],
  // `accordion of 4 pages`, `a 5 x 5 accordion with six pages`
  [
    new RegExp(String.raw`\baccordion\b(.*?)\s(?:of|with|,)?\s*(${NUMBER_SAID})\s+(?:pages|panels|leaves)\b`, 'iu'),
    'accordion$1, leaves $2,',
  ],
  // `12 long by 1`, `1 wide by 12`
  [
    new RegExp(String.raw`(${LENGTH_PATTERN})\s*long\s+by\s+(${LENGTH_PATTERN})(?:\s*wide)?`, 'iu'),
    '$1 long, $2 wide,',
  ],
  [
    new RegExp(String.raw`(${LENGTH_PATTERN})\s*wide\s+by\s+(${LENGTH_PATTERN})(?:\s*(?:long|high|tall))?`, 'iu'),
    '$1 wide, $2 long,',
  ],
  // `a 4 x 4 grid filling an 8 inch square`, `grid 3 by 3 on 12 inches`
  [
    new RegExp(
      String.raw`\bgrid\b(.*?)\b(?:on|fills|filling|to\s+fill|covering|within)\s+(?:an?\s+)?(${LENGTH_PATTERN})(?!\s*[x×]|\s*by\b)\s*(?:square|page)?`,
      'iu',
    ),
    'grid$1across $2',
  ],
  // `from 1/2 inch strips`: how wide they are
  [/\bfrom\s+(\d+\/\d+(?:\s*(?:inch|in))?)\s+strips\b/giu, 'of $1 strips'],
  // `a 3 inch round photo`
  [new RegExp(String.raw`(${LENGTH_PATTERN})\s+round\s+(${PHOTOS})`, 'iu'), '$1 x $1 $2 circle'],
  // `8 lines 5/16 apart, 3 inches wide for writing`
  [
    new RegExp(
      String.raw`^(?!.*\b(?:stitch|journal))(.*\b${NUMBER_SAID}\s+lines\b.*?)(?:,?\s+for\s+|\s+of\s+)(?:writing|text|words|journall?ing)\b`,
      'iu',
    ),
    'journaling $1',
  ],
  // `down a 12 inch page`
  [/\bdown\s+(?=(?:an?|the)\s+\d)/giu, 'level across '],
  // `cut a 12 x 12 into 2 inch squares`
  [
    new RegExp(
      String.raw`\bcut\s+(?:up\s+)?(?:an?\s+|the\s+|one\s+|my\s+)?(${LENGTH_PATTERN}${BY_PATTERN}${LENGTH_PATTERN})\s*(?:sheet|paper|page|cardstock)?\s+(?:up\s+)?into\s+(.+)$`,
      'iu',
    ),
    '$2 from $1',
  ],
  // `grid of 3 by 3 photos`
  [/\bgrid\s+of\s+(\d{1,2})\s*(?:x|×|by)\s*(\d{1,2})\s+(?:photos|pictures|prints)\b/giu, 'grid of $1 x $2 cells'],
  // `5 rows of 6`
  [
    new RegExp(
      String.raw`\b(\d{1,2}|${ONES_WORDS.join('|')})\s+rows?\s+of\s+(\d{1,2}|${ONES_WORDS.join('|')})\b(?!\s*(?:/|\.|x|×|by\b|in\b|inch|mm|cm))`,
      'giu',
    ),
    '$1 rows, $2 columns,',
  ],
  // `1/8 on three sides and 1 inch at the bottom`
  [/\bon\s+(?:the\s+)?(?:other\s+)?(?:three|two|3|2)\s+(?:other\s+)?sides\b/giu, 'on-some-sides'],
  [/\bon\s+(?:every|each|all(?:\s+(?:four|4))?|(?:all\s+)?four)\s+(?:the\s+)?(?:sides?|edges?)\b/giu, ' '],
  // `that ends up 5 x 7`
  [/\b(?:that|which|so\s+(?:that\s+)?it)?\s*(?:ends?\s+up|comes?\s+out)(?:\s+(?:as|at|to\s+be))?\b/giu, ' finished '],
  // `in 3 papers` is no length
  [/\bin\s+(?=\d{1,2}\s+(?:papers?|patterns?|colou?rs?|rows?|columns?)\b)/giu, ', '],
  // `holes 1/8 from the edge`
  [new RegExp(String.raw`\bholes?\s+(${LENGTH_PATTERN})\s*(?:in\s+)?from\s+the\s+edge\b`, 'giu'), 'holes, $1 inset'],
  // `a narrow one 1/16`
  [/\b(narrow|wide|thin|thick|inner|outer|small|large|big)\s+one\b/giu, '$1'],
  // `the top one 8 inches`
  [
    /\b(top|bottom|left|right|upper|lower|other|first|last)\s+one\b(?!\s*(?:inch|in\b|mm|cm|and|half|quarter|eighth))/giu,
    '$1',
  ],
  [/°/gu, ' degrees '],
  // `1/8 all round`
  [/\ball\s+a?round\b(?!\s+(?:an?\s|the\s|my\s|\d))/giu, ' '],
  // `a 2:3 photo`
  [/\b(\d{1,2})\s?:\s?(\d{1,2})(?=\s+(?:photo|print|picture|image|ratio))/giu, '$1 x $2'],
  [/\b(?:no|without|zero)\s+(gap|margin|overlap|tuck)s?\b/giu, '$1 0'],
  [
    new RegExp(`\\bbetween\\s+(${LENGTH_PATTERN})\\s+and\\s+(${LENGTH_PATTERN})\\s+(long|tall)\\b`, 'giu'),
    'shortest $1, $2 $3',
  ],
];
/** `15/30/45/60/75`: numbers, and no fraction. */
const SLASHED = /(?<![\d/])\d{1,3}(?:\/\d{1,3}){2,}(?![\d/])/gu;
/** The line as it would be said in the words that are known. */
export function rephrasePlainly(line: string): string {
  // what is cut up is a sheet of a size, whatever it is called
  const sized = /^\s*(?:cut|split|divide)\b/iu.test(line) ? line.replace(SHEET_NAME_PATTERN, sizeOfSheet) : line;
  const half = sized.replace(HALF_PAGE, 'half-$1').replace(ONE_HALF, '$1');
  const other = half === sized ? sized : half.replace(OTHER_HALF, ' ');
  // `left half patterned paper`: with nothing else said, it is of the page
  const whole = half === sized || /\bhalf|\bsplit|two-?\s?tone/iu.test(other) ? other : `half-page ${other}`;
  return PLAINLY.reduce((said, [roundabout, plain]) => said.replace(roundabout, plain), whole)
    .replace(SLASHED, (all) => all.replaceAll('/', ', '))
    .replace(/[’‘]/g, "'")
    .replace(HYPHENED, ' ')
    .replace(SHEET_NAME_PATTERN, sizeOfSheet)
    .replace(SAYINGS, (said) => said.replace(/\s+/g, '-'));
}
