import { describe, expect, test } from '@jest/globals';
import { ROOMS } from '../../testing/rooms.ts';
import { told } from '../../testing/told.ts';
import { toldFields } from '../../testing/toldFields.ts';
import { recipeOf, type RecipeId } from './index.ts';

/* All that a recipe gives for some inputs, line by line: nothing of it changes unseen. Each was read and worked out by hand once. */

type Case = readonly [name: string, recipe: RecipeId, room: keyof typeof ROOMS, input: unknown, told: string];

const SOLVED: readonly Case[] = [
  [
    'two mats, the outer one with a foot',
    'mat-stack',
    'page',
    {
      print: { width: '4', height: '6', known: 'measured' },
      mats: [
        { id: 'a', reveal: { style: 'even', all: '1/8' } },
        { id: 'b', reveal: { style: 'footer', sides: '1/4', bottom: '3/4' } },
      ],
    },
    `
  size 4 3/4 x 7 1/4
  layer b, mat 2: 4 3/4 x 7 1/4 at 0, 0, of b, said at mats.1 by mats.1.width and mats.1.height, entry of mats
  layer a, mat 1: 4 1/4 x 6 1/4 at 1/4, 3/4, of a, said at mats.0 by mats.0.width and mats.0.height, entry of mats
  layer print, print 1: 4 x 6 at 3/8, 7/8, of no paper, said at print by print.width and print.height
  cut 1 of b, mat 2: 4 3/4 x 7 1/4
  cut 1 of a, mat 1: 4 1/4 x 6 1/4
  typed print.width and print.height in the middle of 4 x 6 at 3/8, 7/8
  typed mats.0.reveal.all with a leader from 4 7/16, 3 7/8
  typed mats.1.reveal.sides with a leader from 4 5/8, 3 7/8
  typed mats.1.reveal.bottom with a leader from 3 7925/12192, 3/8
  typed mats.1.width along the top from 0, 7 1/4 to 4 3/4, 7 1/4
  typed mats.1.height along the left from 0, 0 to 0, 7 1/4
  print.width = 4
  print.height = 6
  mats.0.reveal.all = 1/8
  mats.1.reveal.sides = 1/4
  mats.1.reveal.bottom = 3/4
  mats.0.width = 4 1/4
  mats.0.height = 6 1/4
  mats.1.width = 4 3/4
  mats.1.height = 7 1/4
  sum of mats.0.width: 1 × print.width 4 + 2 × mats.0.reveal.all 1/8
  sum of mats.0.height: 1 × print.height 6 + 2 × mats.0.reveal.all 1/8
  sum of mats.1.width: 1 × mats.0.width 4 1/4 + 2 × mats.1.reveal.sides 1/4
  sum of mats.1.height: 1 × mats.0.height 6 1/4 + 1 × mats.1.reveal.bottom 3/4 + 1 × mats.1.reveal.sides 1/4`,
  ],
  [
    'backwards from sizes, even and not',
    'mat-stack',
    'page',
    {
      print: { width: '5', height: '3 1/2', known: 'measured' },
      mats: [
        { id: 'a', reveal: { style: 'even' }, width: '5 1/2', height: '4' },
        { id: 'b', reveal: { style: 'four' }, width: '6', height: '5' },
      ],
    },
    `
  size 6 x 5
  layer b, mat 2: 6 x 5 at 0, 0, of b, said at mats.1 by mats.1.width and mats.1.height, entry of mats
  layer a, mat 1: 5 1/2 x 4 at 1/4, 1/2, of a, said at mats.0 by mats.0.width and mats.0.height, entry of mats
  layer print, print 1: 5 x 3 1/2 at 1/2, 3/4, of no paper, said at print by print.width and print.height
  cut 1 of b, mat 2: 6 x 5
  cut 1 of a, mat 1: 5 1/2 x 4
  typed print.width and print.height in the middle of 5 x 3 1/2 at 1/2, 3/4
  typed mats.0.reveal.all with a leader from 5 5/8, 2 1/2
  typed mats.0.reveal.all answered 1/4 at 3/8, 2 1/2
  typed mats.0.reveal.all answered 1/4 at 5 5/8, 2 1/2
  typed mats.0.reveal.all answered 1/4 at 3, 4 3/8
  typed mats.0.reveal.all answered 1/4 at 3, 5/8
  typed mats.1.reveal.left with a leader from 1/8, 2 1/2
  typed mats.1.reveal.right with a leader from 5 7/8, 2 1/2
  typed mats.1.reveal.top with a leader from 4 7925/12192, 4 3/4
  typed mats.1.reveal.bottom with a leader from 4 7925/12192, 1/4
  typed mats.1.reveal.left answered 1/4 at 1/8, 2 1/2
  typed mats.1.reveal.right answered 1/4 at 5 7/8, 2 1/2
  typed mats.1.reveal.top answered 1/2 at 3, 4 3/4
  typed mats.1.reveal.bottom answered 1/2 at 3, 1/4
  typed mats.1.width along the top from 0, 5 to 6, 5
  typed mats.1.height along the left from 0, 0 to 0, 5
  fact reveals of mats.0: 1/4, 1/4, 1/4, 1/4
  fact reveals of mats.1: 1/4, 1/4, 1/2, 1/2
  print.width = 5
  print.height = 3 1/2
  mats.0.width = 5 1/2
  mats.0.height = 4
  mats.1.width = 6
  mats.1.height = 5
  mats.0.reveal.all = 1/4
  mats.1.reveal.left = 1/4
  mats.1.reveal.right = 1/4
  mats.1.reveal.bottom = 1/2
  mats.1.reveal.top = 1/2
  sum of mats.0.reveal.all: 1 × mats.0.width 5 1/2 + -1 × print.width 5 over 2
  sum of mats.1.reveal.left: 1 × mats.1.width 6 + -1 × mats.0.width 5 1/2 over 2
  sum of mats.1.reveal.right: 1 × mats.1.reveal.left 1/4
  sum of mats.1.reveal.bottom: 1 × mats.1.height 5 + -1 × mats.0.height 4 over 2
  sum of mats.1.reveal.top: 1 × mats.1.reveal.bottom 1/2
  suggests {"code":"uneven-reveals","group":"mats.1","across":"1/4","upDown":"1/2","even":[{"width":"6 1/2","height":"5","reveal":"1/2"},{"width":"6","height":"4 1/2","reveal":"1/4"}]}`,
  ],
  [
    'the print from what is round it',
    'mat-stack',
    'A4',
    {
      print: { known: 'assumed' },
      mats: [{ id: 'a', reveal: { style: 'two', across: '5', upDown: '7.5' }, width: '100', height: '150' }],
    },
    `
  size 100 x 150
  layer a, mat 1: 100 x 150 at 0, 0, of a, said at mats.0 by mats.0.width and mats.0.height, entry of mats
  layer print, print 1: 90 x 135 at 5, 7.5, of no paper, said at print by print.width and print.height
  cut 1 of a, mat 1: 100 x 150
  typed print.width and print.height in the middle of 90 x 135 at 5, 7.5
  typed mats.0.reveal.across with a leader from 97.5, 75
  typed mats.0.reveal.upDown with a leader from 77, 146.25
  typed mats.0.width along the top from 0, 150 to 100, 150
  typed mats.0.height along the left from 0, 0 to 0, 150
  mats.0.width = 100
  mats.0.height = 150
  mats.0.reveal.across = 5
  mats.0.reveal.upDown = 7.5
  print.width = 90
  print.height = 135
  sum of print.width: 1 × mats.0.width 100 + -2 × mats.0.reveal.across 5
  sum of print.height: 1 × mats.0.height 150 + -2 × mats.0.reveal.upDown 7.5`,
  ],
  [
    'off the mark',
    'mat-stack',
    'page',
    {
      print: { width: '89 mm', height: '127 mm', known: 'measured' },
      mats: [{ id: 'a', reveal: { style: 'even', all: '1/8' } }],
    },
    `
  size 3 383/508 x 5 1/4
  layer a, mat 1: 3 383/508 x 5 1/4 at 0, 0, of a, said at mats.0 by mats.0.width and mats.0.height, entry of mats
  layer print, print 1: 3 64/127 x 5 at 1/8, 1/8, of no paper, said at print by print.width and print.height
  cut 1 of a, mat 1: 3 3/4 x 5 1/4, off by 1/254 and 0
  typed print.width and print.height in the middle of 3 64/127 x 5 at 1/8, 1/8
  typed mats.0.reveal.all with a leader from 3 1405/2032, 2 5/8
  typed mats.0.width along the top from 0, 5 1/4 to 3 383/508, 5 1/4
  typed mats.0.height along the left from 0, 0 to 0, 5 1/4
  print.width = 3 64/127
  print.height = 5
  mats.0.reveal.all = 1/8
  mats.0.width = 3 383/508
  mats.0.height = 5 1/4
  sum of mats.0.width: 1 × print.width 3 64/127 + 2 × mats.0.reveal.all 1/8
  sum of mats.0.height: 1 × print.height 5 + 2 × mats.0.reveal.all 1/8
  suggests {"code":"off-mark","path":"mats.0.width","size":"3 383/508","nearest":"3 3/4"}`,
  ],
  [
    'a mat smaller than its print',
    'mat-stack',
    'page',
    {
      print: { width: '4', height: '6', known: 'measured' },
      mats: [{ id: 'a', reveal: { style: 'even', all: '-1/4' } }],
    },
    `
  refused
  problem {"code":"own","why":"smaller-than-inside","path":"mats.0","lengths":["1/4"],"edges":["left","right"]}
  problem {"code":"own","why":"smaller-than-inside","path":"mats.0","lengths":["1/4"],"edges":["bottom","top"]}
  offer mats.0.reveal.all = 0
  instead 4 x 6
  instead print, print 1: 4 x 6 at 0, 0
  instead print.width and print.height in the middle of 4 x 6 at 0, 0`,
  ],
  [
    'a mat by its size, smaller one way',
    'mat-stack',
    'page',
    {
      print: { width: '4 1/4', height: '6', known: 'measured' },
      mats: [{ id: 'a', reveal: { style: 'two' }, width: '4', height: '6 1/2' }],
    },
    `
  refused
  problem {"code":"own","why":"smaller-than-inside","path":"mats.0","lengths":["1/8"],"edges":["left","right"]}
  offer mats.0.width = 4 1/4
  offer print.width = 4
  instead 4 1/4 x 6
  instead print, print 1: 4 1/4 x 6 at 0, 0
  instead print.width and print.height in the middle of 4 1/4 x 6 at 0, 0`,
  ],
  [
    'panels inward, one flush, one over an edge',
    'base-panels',
    'page',
    {
      panels: [
        { id: 'a', reveal: { style: 'even', all: '3/8' } },
        { id: 'b', reveal: { style: 'four', left: '1', right: '0', top: '-1/2', bottom: '1/4' } },
      ],
    },
    `
  size 12 x 12
  layer base, base 1: 12 x 12 at 0, 0, of base, said at room
  layer a, panel 1: 11 1/4 x 11 1/4 at 3/8, 3/8, of a, said at panels.0 by panels.0.width and panels.0.height, entry of panels
  layer b, panel 2: 10 1/4 x 11 3/8 at 1 3/8, 5/8, of b, said at panels.1 by panels.1.width and panels.1.height, entry of panels
  cut 1 of base, base 1: 12 x 12
  cut 1 of a, panel 1: 11 1/4 x 11 1/4
  cut 1 of b, panel 2: 10 1/4 x 11 1/2, then [{"do":"trim","when":"glued","left":"0","right":"0","top":"1/8","bottom":"0"}]
  room a, panel 1: 11 1/4 x 11 1/4 at 3/8, 3/8
  room b, panel 2: 10 1/4 x 11 3/8 at 1 3/8, 5/8
  typed panels.0.reveal.all with a leader from 11 13/16, 6
  typed panels.1.reveal.left with a leader from 7/8, 6 3/8
  typed panels.1.reveal.right with a leader from 11 5/8, 6 3/8
  typed panels.1.reveal.top with a leader from 9 14021/24384, 11 7/8
  typed panels.1.reveal.bottom with a leader from 9 14021/24384, 1/2
  typed panels.1.width and panels.1.height in the middle of 10 1/4 x 11 3/8 at 1 3/8, 5/8
  room.width = 12
  room.height = 12
  panels.1.reveal.left = 1
  panels.1.reveal.right = 0
  panels.1.reveal.top = -1/2
  panels.1.reveal.bottom = 1/4
  panels.0.reveal.all = 3/8
  panels.0.width = 11 1/4
  panels.0.height = 11 1/4
  panels.1.width = 10 1/4
  panels.1.height = 11 1/2
  sum of panels.0.width: 1 × room.width 12 + -2 × panels.0.reveal.all 3/8
  sum of panels.0.height: 1 × room.height 12 + -2 × panels.0.reveal.all 3/8
  sum of panels.1.width: 1 × panels.0.width 11 1/4 + -1 × panels.1.reveal.left 1 + -1 × panels.1.reveal.right 0
  sum of panels.1.height: 1 × panels.0.height 11 1/4 + -1 × panels.1.reveal.bottom 1/4 + -1 × panels.1.reveal.top -1/2`,
  ],
  [
    'no reveal at the seam',
    'base-panels',
    'left page',
    {
      panels: [
        { id: 'a', reveal: { style: 'two', across: '1/4', upDown: '1/2' } },
        { id: 'b', reveal: { style: 'even' }, width: '11', height: '9' },
      ],
    },
    `
  refused
  problem {"code":"disagree","paths":[["room","height"],"panels.0.reveal.upDown","panels.1.height",["room","width"],"panels.0.reveal.across","panels.1.width"],"by":"1/2"}
  instead 12 x 12
  instead base, base 1: 12 x 12 at 0, 0`,
  ],
  [
    'a panel of which nothing is left',
    'base-panels',
    'page',
    { panels: [{ id: 'a', reveal: { style: 'even', all: '6' } }] },
    `
  refused
  problem {"code":"size-not-positive","path":"panels.0.width","size":"0"}
  problem {"code":"size-not-positive","path":"panels.0.height","size":"0"}
  instead 12 x 12
  instead base, base 1: 12 x 12 at 0, 0`,
  ],
  [
    'a print with a border, to fill another size',
    'photo',
    'page',
    {
      print: { width: '4', height: '6', known: 'measured' },
      image: {},
      border: '1/8',
      crop: { width: '8', height: '10', keep: 'fill', across: 'left', upDown: 'top' },
    },
    `
  size 4 x 6
  layer print, print 1: 4 x 6 at 0, 0, of no paper, said at print by print.width and print.height
  room image, image 1: 3 3/4 x 5 3/4 at 1/8, 1/8
  typed print.width and print.height in the middle of 4 x 6 at 0, 0
  typed border with a leader from 3 15/16, 3
  fact enlarged: 2 3251/24384
  fact scaled: 8, 12 3251/12192
  fact lost: 0, 0, 0, 2 3251/12192
  fact lost-of-original: 0, 1 1/16
  fact short: 0, 0
  print.width = 4
  print.height = 6
  border = 1/8
  image.width = 3 3/4
  image.height = 5 3/4
  sum of image.width: 1 × print.width 4 + -2 × border 1/8
  sum of image.height: 1 × print.height 6 + -2 × border 1/8`,
  ],
  [
    'a print made larger, nothing lost',
    'photo',
    'page',
    {
      print: { width: '4', height: '6', known: 'measured' },
      image: {},
      crop: { width: '8', height: '10', keep: 'whole', across: 'right', upDown: 'bottom' },
    },
    `
  size 4 x 6
  layer print, print 1: 4 x 6 at 0, 0, of no paper, said at print by print.width and print.height
  typed print.width and print.height in the middle of 4 x 6 at 0, 0
  typed border with a leader from 4, 3
  fact enlarged: 1 2/3
  fact scaled: 6 2/3, 10
  fact lost: 0, 0, 0, 0
  fact lost-of-original: 0, 0
  fact short: 1 1/3, 0
  print.width = 4
  print.height = 6
  border = 0
  image.width = 4
  image.height = 6
  sum of image.width: 1 × print.width 4 + -2 × border 0
  sum of image.height: 1 × print.height 6 + -2 × border 0`,
  ],
  [
    'the border from both sizes',
    'photo',
    'A4',
    {
      print: { width: '100', height: '150', known: 'assumed' },
      image: { width: '90' },
      crop: { keep: 'fill', across: 'centre', upDown: 'centre' },
    },
    `
  size 100 x 150
  layer print, print 1: 100 x 150 at 0, 0, of no paper, said at print by print.width and print.height
  room image, image 1: 90 x 140 at 5, 5
  typed print.width and print.height in the middle of 100 x 150 at 0, 0
  typed border with a leader from 97.5, 75
  print.width = 100
  print.height = 150
  image.width = 90
  border = 5
  image.height = 140
  sum of border: 1 × print.width 100 + -1 × image.width 90 over 2
  sum of image.height: 1 × print.height 150 + -2 × border 5`,
  ],
  [
    'a border that leaves nothing',
    'photo',
    'page',
    {
      print: { width: '4', height: '6', known: 'measured' },
      image: {},
      border: '2',
      crop: { keep: 'fill', across: 'centre', upDown: 'centre' },
    },
    `
  refused
  problem {"code":"own","why":"border-too-wide","path":["border"],"lengths":["2","1 24383/24384"]}`,
  ],
  [
    'notched strips, the margins follow',
    'banner-strip',
    'page',
    {
      strip: { width: '2 1/2', length: '6' },
      count: 4,
      spread: 'room',
      row: { gap: '1/4' },
      end: { shape: 'notch', depth: '7/8', longer: 'left' },
    },
    `
  size 12 x 6
  layer strip-1, strip 1: 2 1/2 x 6 at 5/8, 0 shaped 5/8, 0 / 1 7/8, 7/8 / 3 1/8, 0 / 3 1/8, 6 / 5/8, 6 / 5/8, 0, of strip, said at strip by strip.width and strip.length
  layer strip-2, strip 2: 2 1/2 x 6 at 3 3/8, 0 shaped 3 3/8, 0 / 4 5/8, 7/8 / 5 7/8, 0 / 5 7/8, 6 / 3 3/8, 6 / 3 3/8, 0, of strip, said at strip by strip.width and strip.length
  layer strip-3, strip 3: 2 1/2 x 6 at 6 1/8, 0 shaped 6 1/8, 0 / 7 3/8, 7/8 / 8 5/8, 0 / 8 5/8, 6 / 6 1/8, 6 / 6 1/8, 0, of strip, said at strip by strip.width and strip.length
  layer strip-4, strip 4: 2 1/2 x 6 at 8 7/8, 0 shaped 8 7/8, 0 / 10 1/8, 7/8 / 11 3/8, 0 / 11 3/8, 6 / 8 7/8, 6 / 8 7/8, 0, of strip, said at strip by strip.width and strip.length
  cut 4 of strip, strip 1: 2 1/2 x 6 shaped 0, 0 / 1 1/4, 7/8 / 2 1/2, 0 / 2 1/2, 6 / 0, 6 / 0, 0, marks [{"kind":"pencil","from":{"x":"1 1/4","y":"0"},"to":{"x":"1 1/4","y":"6"}}], then [{"do":"notch","edge":"bottom","depth":"7/8","at":"1 1/4"}]
  typed strip.width along the top from 5/8, 6 to 3 1/8, 6
  typed strip.length along the left from 5/8, 0 to 5/8, 6
  typed row.gap with a leader from 3 1/4, 4 1/2
  typed row.margin with a leader from 11 11/16, 3
  typed end.depth with a leader from 10 1/8, 7/16
  typed row.across along the bottom from 5/8, 0 to 11 3/8, 0
  fact centre-mark: 1 1/4
  fact centre-line: 5 1/8
  room.width = 12
  strip.width = 2 1/2
  row.gap = 1/4
  strip.length = 6
  end.depth = 7/8
  row.across = 10 3/4
  row.margin = 5/8
  count = 4
  sum of row.across: 4 × strip.width 2 1/2 + 3 × row.gap 1/4
  sum of row.margin: 1 × room.width 12 + -1 × row.across 10 3/4 over 2`,
  ],
  [
    'slanted strips, as many as fit',
    'banner-strip',
    'page',
    {
      strip: { width: '2', length: '5' },
      spread: 'room',
      row: { gap: '1/8', margin: '1/2' },
      end: { shape: 'slant', longer: 'right' },
    },
    `
  size 12 x 5
  layer strip-1, strip 1: 2 x 5 at 3/4, 0 shaped 3/4, 2 / 2 3/4, 0 / 2 3/4, 5 / 3/4, 5 / 3/4, 2, of strip, said at strip by strip.width and strip.length
  layer strip-2, strip 2: 2 x 5 at 2 7/8, 0 shaped 2 7/8, 2 / 4 7/8, 0 / 4 7/8, 5 / 2 7/8, 5 / 2 7/8, 2, of strip, said at strip by strip.width and strip.length
  layer strip-3, strip 3: 2 x 5 at 5, 0 shaped 5, 2 / 7, 0 / 7, 5 / 5, 5 / 5, 2, of strip, said at strip by strip.width and strip.length
  layer strip-4, strip 4: 2 x 5 at 7 1/8, 0 shaped 7 1/8, 2 / 9 1/8, 0 / 9 1/8, 5 / 7 1/8, 5 / 7 1/8, 2, of strip, said at strip by strip.width and strip.length
  layer strip-5, strip 5: 2 x 5 at 9 1/4, 0 shaped 9 1/4, 2 / 11 1/4, 0 / 11 1/4, 5 / 9 1/4, 5 / 9 1/4, 2, of strip, said at strip by strip.width and strip.length
  cut 5 of strip, strip 1: 2 x 5 shaped 0, 2 / 2, 0 / 2, 5 / 0, 5 / 0, 2, then [{"do":"slant","edge":"bottom","depth":"2","shorter":"left"}]
  typed strip.width along the top from 3/4, 5 to 2 3/4, 5
  typed strip.length along the left from 3/4, 0 to 3/4, 5
  typed row.gap with a leader from 2 13/16, 3 3/4
  typed row.margin with a leader from 11 5/8, 2 1/2
  typed end.depth with a leader from 10 1/4, 1
  typed row.across along the bottom from 3/4, 0 to 11 1/4, 0
  room.width = 12
  strip.width = 2
  row.gap = 1/8
  strip.length = 5
  row.across = 10 1/2
  row.margin = 3/4
  end.depth = 2
  count = 5
  sum of row.across: 5 × strip.width 2 + 4 × row.gap 1/8
  sum of row.margin: 1 × room.width 12 + -1 × row.across 10 1/2 over 2
  sum of end.depth: 1 × strip.width 2`,
  ],
  [
    'pointed strips, the width follows',
    'banner-strip',
    'page',
    {
      strip: { length: '5' },
      count: 6,
      spread: 'room',
      row: { gap: '1/8', margin: '3/4' },
      end: { shape: 'point', longer: 'right' },
    },
    `
  size 12 x 5
  layer strip-1, strip 1: 1 5/8 x 5 at 13/16, 0 shaped 13/16, 13/16 / 1 5/8, 0 / 2 7/16, 13/16 / 2 7/16, 5 / 13/16, 5 / 13/16, 13/16, of strip, said at strip by strip.width and strip.length
  layer strip-2, strip 2: 1 5/8 x 5 at 2 9/16, 0 shaped 2 9/16, 13/16 / 3 3/8, 0 / 4 3/16, 13/16 / 4 3/16, 5 / 2 9/16, 5 / 2 9/16, 13/16, of strip, said at strip by strip.width and strip.length
  layer strip-3, strip 3: 1 5/8 x 5 at 4 5/16, 0 shaped 4 5/16, 13/16 / 5 1/8, 0 / 5 15/16, 13/16 / 5 15/16, 5 / 4 5/16, 5 / 4 5/16, 13/16, of strip, said at strip by strip.width and strip.length
  layer strip-4, strip 4: 1 5/8 x 5 at 6 1/16, 0 shaped 6 1/16, 13/16 / 6 7/8, 0 / 7 11/16, 13/16 / 7 11/16, 5 / 6 1/16, 5 / 6 1/16, 13/16, of strip, said at strip by strip.width and strip.length
  layer strip-5, strip 5: 1 5/8 x 5 at 7 13/16, 0 shaped 7 13/16, 13/16 / 8 5/8, 0 / 9 7/16, 13/16 / 9 7/16, 5 / 7 13/16, 5 / 7 13/16, 13/16, of strip, said at strip by strip.width and strip.length
  layer strip-6, strip 6: 1 5/8 x 5 at 9 9/16, 0 shaped 9 9/16, 13/16 / 10 3/8, 0 / 11 3/16, 13/16 / 11 3/16, 5 / 9 9/16, 5 / 9 9/16, 13/16, of strip, said at strip by strip.width and strip.length
  cut 6 of strip, strip 1: 1 5/8 x 5 shaped 0, 13/16 / 13/16, 0 / 1 5/8, 13/16 / 1 5/8, 5 / 0, 5 / 0, 13/16, marks [{"kind":"pencil","from":{"x":"13/16","y":"0"},"to":{"x":"13/16","y":"5"}}], then [{"do":"point","edge":"bottom","depth":"13/16","at":"13/16"}]
  typed strip.width along the top from 13/16, 5 to 2 7/16, 5
  typed strip.length along the left from 13/16, 0 to 13/16, 5
  typed row.gap with a leader from 2 1/2, 3 3/4
  typed row.margin with a leader from 11 19/32, 2 1/2
  typed end.depth with a leader from 10 3/8, 13/32
  typed row.across along the bottom from 13/16, 0 to 11 3/16, 0
  fact centre-mark: 13/16
  room.width = 12
  row.gap = 1/8
  row.margin = 13/16
  strip.length = 5
  row.across = 10 3/8
  strip.width = 1 5/8
  end.depth = 13/16
  count = 6
  sum of row.across: 1 × room.width 12 + -2 × row.margin 3/4
  sum of strip.width: 1 × row.across 10 1/2 + -5 × row.gap 1/8 over 6
  sum of end.depth: 1 × strip.width 1 5/8 over 2
  suggests {"code":"remainder","by":"1/8","to":["row","margin"]}`,
  ],
  [
    'a row that overlaps',
    'banner-strip',
    'page',
    {
      strip: { width: '2', length: '5' },
      count: 3,
      spread: 'row',
      row: { gap: '-1/4' },
      end: { shape: 'straight', longer: 'left' },
    },
    `
  size 5 1/2 x 5
  layer strip-1, strip 1: 2 x 5 at 0, 0, of strip, said at strip by strip.width and strip.length
  layer strip-2, strip 2: 2 x 5 at 1 3/4, 0, of strip, said at strip by strip.width and strip.length
  layer strip-3, strip 3: 2 x 5 at 3 1/2, 0, of strip, said at strip by strip.width and strip.length
  cut 3 of strip, strip 1: 2 x 5
  typed strip.width along the top from 0, 5 to 2, 5
  typed strip.length along the left from 0, 0 to 0, 5
  typed row.gap with a leader from 1 7/8, 3 3/4
  typed row.across along the bottom from 0, 0 to 5 1/2, 0
  room.width = 12
  strip.width = 2
  row.gap = -1/4
  strip.length = 5
  row.across = 5 1/2
  count = 3
  sum of row.across: 3 × strip.width 2 + 2 × row.gap -1/4`,
  ],
  [
    'one strip by itself',
    'banner-strip',
    'card',
    {
      strip: { width: '20', length: '50' },
      count: 1,
      spread: 'room',
      row: {},
      end: { shape: 'slant', depth: '10', longer: 'left' },
    },
    `
  size 40 x 50
  layer strip-1, strip 1: 20 x 50 at 10, 0 shaped 10, 0 / 30, 10 / 30, 50 / 10, 50 / 10, 0, of strip, said at strip by strip.width and strip.length
  cut 1 of strip, strip 1: 20 x 50 shaped 0, 0 / 20, 10 / 20, 50 / 0, 50 / 0, 0, then [{"do":"slant","edge":"bottom","depth":"10","shorter":"right"}]
  typed strip.width along the top from 10, 50 to 30, 50
  typed strip.length along the left from 10, 0 to 10, 50
  typed row.margin with a leader from 35, 25
  typed end.depth with a leader from 20, 5
  typed row.across along the bottom from 10, 0 to 30, 0
  room.width = 40
  strip.width = 20
  strip.length = 50
  end.depth = 10
  row.across = 20
  row.margin = 10
  count = 1
  sum of row.across: 1 × strip.width 20
  sum of row.margin: 1 × room.width 40 + -1 × row.across 20 over 2`,
  ],
  [
    'too much for the room',
    'banner-strip',
    'page',
    {
      strip: { width: '2 1/2', length: '6' },
      count: 5,
      spread: 'room',
      row: { gap: '0' },
      end: { shape: 'straight', longer: 'left' },
    },
    `
  refused
  problem {"code":"own","why":"too-much","path":["row","across"],"lengths":["1/2"]}
  offer count = 4 of them
  offer strip.width = 2 3/8
  offer row.gap = -1/8`,
  ],
  [
    'too wide for the room',
    'banner-strip',
    'tag',
    {
      strip: { width: '2 1/2', length: '2' },
      spread: 'room',
      row: { gap: '1/8' },
      end: { shape: 'straight', longer: 'left' },
    },
    `
  refused
  problem {"code":"own","why":"none-fits","path":["count"],"lengths":["2 1/2"]}
  offer strip.width = 2`,
  ],
  [
    'an end as deep as the strip is long',
    'banner-strip',
    'page',
    {
      strip: { width: '2 1/2', length: '6' },
      count: 2,
      spread: 'row',
      row: { gap: '1/4' },
      end: { shape: 'notch', depth: '6', longer: 'left' },
    },
    `
  refused
  problem {"code":"own","why":"end-too-deep","path":["end","depth"],"lengths":["6","6"]}`,
  ],
];
const FIELDS: readonly Case[] = [
  [
    'two mats, the outer one with a foot',
    'mat-stack',
    'page',
    {
      print: { width: '4', height: '6', known: 'measured' },
      mats: [
        { id: 'a', reveal: { style: 'even', all: '1/8' } },
        { id: 'b', reveal: { style: 'footer', sides: '1/4', bottom: '3/4' } },
      ],
    },
    `
  print.width of print: 4, a length, emptied worked-out, known at print.known
  print.height of print: 6, a length, emptied worked-out, known at print.known
  shape of print: straight, one of straight oval
  mats.0.reveal.style of mats.0: even, one of even two footer four
  mats.0.reveal.all of mats.0: 1/8, a length with negative, emptied worked-out
  mats.0.width of mats.0: open, a length, emptied worked-out
  mats.0.height of mats.0: open, a length, emptied worked-out
  mats.1.reveal.style of mats.1: footer, one of even two footer four
  mats.1.reveal.sides of mats.1: 1/4, a length with negative, emptied worked-out
  mats.1.reveal.bottom of mats.1: 3/4, a length with negative, emptied worked-out
  mats.1.width of mats.1: open, a length, emptied worked-out
  mats.1.height of mats.1: open, a length, emptied worked-out`,
  ],
  [
    'backwards from sizes, even and not',
    'mat-stack',
    'page',
    {
      print: { width: '5', height: '3 1/2', known: 'measured' },
      mats: [
        { id: 'a', reveal: { style: 'even' }, width: '5 1/2', height: '4' },
        { id: 'b', reveal: { style: 'four' }, width: '6', height: '5' },
      ],
    },
    `
  print.width of print: 5, a length, emptied worked-out, known at print.known
  print.height of print: 3 1/2, a length, emptied worked-out, known at print.known
  shape of print: straight, one of straight oval
  mats.0.reveal.style of mats.0: even, one of even two footer four
  mats.0.reveal.all of mats.0: open, a length with negative, emptied worked-out
  mats.0.width of mats.0: 5 1/2, a length, emptied worked-out
  mats.0.height of mats.0: 4, a length, emptied worked-out
  mats.1.reveal.style of mats.1: four, one of even two footer four
  mats.1.reveal.left of mats.1: open, a length with negative, emptied worked-out
  mats.1.reveal.right of mats.1: open, a length with negative, emptied worked-out
  mats.1.reveal.top of mats.1: open, a length with negative, emptied worked-out
  mats.1.reveal.bottom of mats.1: open, a length with negative, emptied worked-out
  mats.1.width of mats.1: 6, a length, emptied worked-out
  mats.1.height of mats.1: 5, a length, emptied worked-out`,
  ],
  [
    'the print from what is round it',
    'mat-stack',
    'A4',
    {
      print: { known: 'assumed' },
      mats: [{ id: 'a', reveal: { style: 'two', across: '5', upDown: '7.5' }, width: '100', height: '150' }],
    },
    `
  print.width of print: open, a length, emptied worked-out, known at print.known
  print.height of print: open, a length, emptied worked-out, known at print.known
  shape of print: straight, one of straight oval
  mats.0.reveal.style of mats.0: two, one of even two footer four
  mats.0.reveal.across of mats.0: 5, a length with negative, emptied worked-out
  mats.0.reveal.upDown of mats.0: 7.5, a length with negative, emptied worked-out
  mats.0.width of mats.0: 100, a length, emptied worked-out
  mats.0.height of mats.0: 150, a length, emptied worked-out`,
  ],
  [
    'panels inward, one flush, one over an edge',
    'base-panels',
    'page',
    {
      panels: [
        { id: 'a', reveal: { style: 'even', all: '3/8' } },
        { id: 'b', reveal: { style: 'four', left: '1', right: '0', top: '-1/2', bottom: '1/4' } },
      ],
    },
    `
  edge of room: whole, one of whole shaved
  panels.0.reveal.style of panels.0: even, one of even two footer four
  panels.0.reveal.all of panels.0: 3/8, a length with negative, emptied worked-out
  panels.0.width of panels.0: open, a length, emptied worked-out
  panels.0.height of panels.0: open, a length, emptied worked-out
  panels.1.reveal.style of panels.1: four, one of even two footer four
  panels.1.reveal.left of panels.1: 1, a length with negative, emptied worked-out
  panels.1.reveal.right of panels.1: 0, a length with negative, emptied worked-out
  panels.1.reveal.top of panels.1: -1/2, a length with negative, emptied worked-out
  panels.1.reveal.bottom of panels.1: 1/4, a length with negative, emptied worked-out
  panels.1.width of panels.1: open, a length, emptied worked-out
  panels.1.height of panels.1: open, a length, emptied worked-out`,
  ],
  [
    'no reveal at the seam',
    'base-panels',
    'left page',
    {
      panels: [
        { id: 'a', reveal: { style: 'two', across: '1/4', upDown: '1/2' } },
        { id: 'b', reveal: { style: 'even' }, width: '11', height: '9' },
      ],
    },
    `
  edge of room: whole, one of whole shaved
  panels.0.reveal.style of panels.0: two, one of even two footer four
  panels.0.reveal.across of panels.0: 1/4, a length with negative, emptied worked-out
  panels.0.reveal.upDown of panels.0: 1/2, a length with negative, emptied worked-out
  panels.0.width of panels.0: open, a length, emptied worked-out
  panels.0.height of panels.0: open, a length, emptied worked-out
  panels.1.reveal.style of panels.1: even, one of even two footer four
  panels.1.reveal.all of panels.1: open, a length with negative, emptied worked-out
  panels.1.width of panels.1: 11, a length, emptied worked-out
  panels.1.height of panels.1: 9, a length, emptied worked-out`,
  ],
  [
    'a print with a border, to fill another size',
    'photo',
    'page',
    {
      print: { width: '4', height: '6', known: 'measured' },
      image: {},
      border: '1/8',
      crop: { width: '8', height: '10', keep: 'fill', across: 'left', upDown: 'top' },
    },
    `
  print.width of print: 4, a length, emptied worked-out, known at print.known
  print.height of print: 6, a length, emptied worked-out, known at print.known
  border of image: 1/8, a length with zero, emptied worked-out
  image.width of image: open, a length, emptied worked-out
  image.height of image: open, a length, emptied worked-out
  crop.width of crop: 8, a length, emptied by-rule
  crop.height of crop: 10, a length, emptied by-rule
  crop.keep of crop: fill, one of fill whole trim
  crop.across of crop: left, one of left centre right
  crop.upDown of crop: top, one of bottom centre top`,
  ],
  [
    'the border from both sizes',
    'photo',
    'A4',
    {
      print: { width: '100', height: '150', known: 'assumed' },
      image: { width: '90' },
      crop: { keep: 'fill', across: 'centre', upDown: 'centre' },
    },
    `
  print.width of print: 100, a length, emptied worked-out, known at print.known
  print.height of print: 150, a length, emptied worked-out, known at print.known
  border of image: open, a length with zero, emptied worked-out
  image.width of image: 90, a length, emptied worked-out
  image.height of image: open, a length, emptied worked-out
  crop.width of crop: open, a length, emptied by-rule
  crop.height of crop: open, a length, emptied by-rule`,
  ],
  [
    'notched strips, the margins follow',
    'banner-strip',
    'page',
    {
      strip: { width: '2 1/2', length: '6' },
      count: 4,
      spread: 'room',
      row: { gap: '1/4' },
      end: { shape: 'notch', depth: '7/8', longer: 'left' },
    },
    `
  strip.width of strip: 2 1/2, a length, emptied worked-out
  strip.length of strip: 6, a length, emptied refused
  count of row: 4, a number up to 60, emptied worked-out
  spread of row: room, one of room row
  row.gap of row: 1/4, a length with negative, emptied worked-out
  row.margin of row: open, a length with zero, emptied worked-out
  row.across of row: open, a length, emptied worked-out
  end.shape of end: notch, one of straight notch point slant mixed
  end.depth of end: 7/8, a length, emptied by-rule
  ragged.as of ragged: even, one of even ragged
  hang.line of hang: level, one of level slant curve`,
  ],
  [
    'slanted strips, as many as fit',
    'banner-strip',
    'page',
    {
      strip: { width: '2', length: '5' },
      spread: 'room',
      row: { gap: '1/8', margin: '1/2' },
      end: { shape: 'slant', longer: 'right' },
    },
    `
  strip.width of strip: 2, a length, emptied worked-out
  strip.length of strip: 5, a length, emptied refused
  count of row: open, a number up to 60, emptied worked-out
  spread of row: room, one of room row
  row.gap of row: 1/8, a length with negative, emptied worked-out
  row.margin of row: 1/2, a length with zero, emptied by-rule
  row.across of row: open, a length, emptied by-rule
  end.shape of end: slant, one of straight notch point slant mixed
  end.depth of end: open, a length, emptied by-rule
  end.longer of end: right, one of left right
  ragged.as of ragged: even, one of even ragged
  hang.line of hang: level, one of level slant curve`,
  ],
  [
    'pointed strips, the width follows',
    'banner-strip',
    'page',
    {
      strip: { length: '5' },
      count: 6,
      spread: 'room',
      row: { gap: '1/8', margin: '3/4' },
      end: { shape: 'point', longer: 'right' },
    },
    `
  strip.width of strip: open, a length, emptied worked-out
  strip.length of strip: 5, a length, emptied refused
  count of row: 6, a number up to 60, emptied worked-out
  spread of row: room, one of room row
  row.gap of row: 1/8, a length with negative, emptied worked-out
  row.margin of row: 3/4, a length with zero, emptied worked-out
  row.across of row: open, a length, emptied worked-out
  end.shape of end: point, one of straight notch point slant mixed
  end.depth of end: open, a length, emptied by-rule
  ragged.as of ragged: even, one of even ragged
  hang.line of hang: level, one of level slant curve`,
  ],
  [
    'one strip by itself',
    'banner-strip',
    'card',
    {
      strip: { width: '20', length: '50' },
      count: 1,
      spread: 'room',
      row: {},
      end: { shape: 'slant', depth: '10', longer: 'left' },
    },
    `
  strip.width of strip: 20, a length, emptied worked-out
  strip.length of strip: 50, a length, emptied refused
  count of row: 1, a number up to 60, emptied worked-out
  spread of row: room, one of room row
  row.margin of row: open, a length with zero, emptied worked-out
  row.across of row: open, a length, emptied worked-out
  end.shape of end: slant, one of straight notch point slant mixed
  end.depth of end: 10, a length, emptied by-rule
  end.longer of end: left, one of left right
  ragged.as of ragged: even, one of even ragged
  hang.line of hang: level, one of level slant curve`,
  ],
];
const STARTS: ReadonlyArray<readonly [RecipeId, keyof typeof ROOMS, unknown]> = [
  [
    'photo',
    'page',
    {
      print: { width: '4', height: '6', known: 'assumed' },
      image: {},
      crop: { keep: 'fill', across: 'centre', upDown: 'centre' },
    },
  ],
  [
    'photo',
    'left page',
    {
      print: { width: '4', height: '6', known: 'assumed' },
      image: {},
      crop: { keep: 'fill', across: 'centre', upDown: 'centre' },
    },
  ],
  [
    'photo',
    'tag',
    {
      print: { width: '1', height: '1 1/2', known: 'assumed' },
      image: {},
      crop: { keep: 'fill', across: 'centre', upDown: 'centre' },
    },
  ],
  [
    'photo',
    'A4',
    {
      print: { width: '100', height: '150', known: 'assumed' },
      image: {},
      crop: { keep: 'fill', across: 'centre', upDown: 'centre' },
    },
  ],
  [
    'photo',
    'card',
    {
      print: { width: '25', height: '40', known: 'assumed' },
      image: {},
      crop: { keep: 'fill', across: 'centre', upDown: 'centre' },
    },
  ],
  [
    'mat-stack',
    'page',
    {
      print: { width: '4', height: '6', known: 'assumed' },
      mats: [{ id: 'n1', reveal: { style: 'even', all: '1/8' } }],
    },
  ],
  [
    'mat-stack',
    'left page',
    {
      print: { width: '4', height: '6', known: 'assumed' },
      mats: [{ id: 'n1', reveal: { style: 'even', all: '1/8' } }],
    },
  ],
  [
    'mat-stack',
    'tag',
    {
      print: { width: '1', height: '1 1/2', known: 'assumed' },
      mats: [{ id: 'n1', reveal: { style: 'even', all: '1/8' } }],
    },
  ],
  [
    'mat-stack',
    'A4',
    {
      print: { width: '100', height: '150', known: 'assumed' },
      mats: [{ id: 'n1', reveal: { style: 'even', all: '3' } }],
    },
  ],
  [
    'mat-stack',
    'card',
    {
      print: { width: '25', height: '40', known: 'assumed' },
      mats: [{ id: 'n1', reveal: { style: 'even', all: '3' } }],
    },
  ],
  ['base-panels', 'page', { panels: [{ id: 'n1', reveal: { style: 'even', all: '1/2' } }] }],
  ['base-panels', 'left page', { panels: [{ id: 'n1', reveal: { style: 'even', all: '1/2' } }] }],
  ['base-panels', 'tag', { panels: [{ id: 'n1', reveal: { style: 'even', all: '1/8' } }] }],
  ['base-panels', 'A4', { panels: [{ id: 'n1', reveal: { style: 'even', all: '12' } }] }],
  ['base-panels', 'card', { panels: [{ id: 'n1', reveal: { style: 'even', all: '3' } }] }],
  [
    'banner-strip',
    'page',
    {
      strip: { length: '4 3/8' },
      count: 5,
      spread: 'room',
      row: { gap: '1/4', margin: '1/2' },
      end: { shape: 'notch', longer: 'left' },
    },
  ],
  [
    'banner-strip',
    'left page',
    {
      strip: { length: '4 3/8' },
      count: 5,
      spread: 'room',
      row: { gap: '1/4', margin: '1/2' },
      end: { shape: 'notch', longer: 'left' },
    },
  ],
  [
    'banner-strip',
    'tag',
    {
      strip: { length: '1 1/16' },
      count: 3,
      spread: 'room',
      row: { gap: '1/8', margin: '1/8' },
      end: { shape: 'notch', longer: 'left' },
    },
  ],
  [
    'banner-strip',
    'A4',
    {
      strip: { length: '71' },
      count: 5,
      spread: 'room',
      row: { gap: '6', margin: '12' },
      end: { shape: 'notch', longer: 'left' },
    },
  ],
  [
    'banner-strip',
    'card',
    {
      strip: { length: '20' },
      count: 3,
      spread: 'room',
      row: { gap: '3', margin: '3' },
      end: { shape: 'notch', longer: 'left' },
    },
  ],
];

const lines = (text: string): string[] =>
  text
    .trim()
    .split('\n')
    .map((line) => line.trim());

describe('all that is given', () => {
  test.each(SOLVED)('%s', (_name, id, room, input, all) => {
    const { unit } = ROOMS[room];
    expect(told(recipeOf(id).solve(input, ROOMS[room]), unit)).toEqual(lines(all));
  });
});

describe('the fields', () => {
  test.each(FIELDS)('%s', (_name, id, _room, input, all) =>
    expect(toldFields(recipeOf(id).fields(input))).toEqual(lines(all)),
  );
});

test.each(STARTS)('a %s begins in a %s', (id, room, input) => {
  let n = 0;
  expect(recipeOf(id).start(ROOMS[room], () => `n${(n += 1)}`)).toEqual(input);
});
