import away from '../../../../docs/guide/8-away-and-out.md';
import begin from '../../../../docs/guide/1-begin.md';
import bench from '../../../../docs/guide/3-the-bench.md';
import heap from '../../../../docs/guide/9-heap-and-mixes.md';
import helped from '../../../../docs/guide/7-did-it-help.md';
import often from '../../../../docs/guide/10-often-wrong.md';
import pen from '../../../../docs/guide/4-the-pen.md';
import round from '../../../../docs/guide/2-the-round.md';
import season from '../../../../docs/guide/6-the-season.md';
import shelf from '../../../../docs/guide/5-the-shelf.md';

/** The guide in the order of the work: the same texts as in docs/guide. */
export const PAGES = [begin, round, bench, pen, shelf, season, heap, helped, often, away];
