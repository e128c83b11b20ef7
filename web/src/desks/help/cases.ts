/** Short cases with a choice: what pupils get wrong, and why the other way is better. */
import { pointedAt, stageMarks } from '../../drawings/plants/stage';
import type { Grown } from '../../drawings/plants/plant';
import { signMarks } from '../../drawings/plants/sign';
import type { Mark } from '../../drawings/plants/shape';

export interface Choice {
  text: string;
  right: boolean;
  why: string;
}

export interface Case {
  key: string;
  story: string;
  marks: Mark[];
  choices: Choice[];
}

const TOMATO: Grown = { leaf: 'compound', habit: 'vine', bears: 'round' };
const CHILLI: Grown = { leaf: 'long', habit: 'bush', bears: 'pointed' };
const BEAN: Grown = { leaf: 'heart', habit: 'bush', bears: 'pod' };
const CHARD: Grown = { leaf: 'rosette', habit: 'leaf', bears: 'leaves' };
const sign = (key: string, grown: Grown) => signMarks({ key, position: '' }, grown);

/** Six of them, in the order in which a season brings them. */
export function cases(): Case[] {
  return [
    {
      key: 'manure',
      story: 'Horse manure came three weeks ago. The new bean leaves are narrow and twisted.',
      marks: sign('new_fern_twist', BEAN),
      choices: [
        {
          text: 'Feed them magnesium',
          right: false,
          why: 'No lack of food twists a leaf like a fern.',
        },
        {
          text: 'Keep the load off the beds',
          right: true,
          why: 'It may carry a weedkiller: six pots of beans show it in three weeks.',
        },
        {
          text: 'Give more nitrogen',
          right: false,
          why: 'More growth only shows more of the harm.',
        },
      ],
    },
    {
      key: 'circle',
      story: 'A chilli pales two days after each feed. Tipped out, its roots circle the pot.',
      marks: sign('root_circle', CHILLI),
      choices: [
        {
          text: 'Feed it stronger',
          right: false,
          why: 'So little soil holds no more: the salt stays about the roots.',
        },
        {
          text: 'Give Epsom salt',
          right: false,
          why: 'All its leaves pale alike: that is no lack of magnesium.',
        },
        {
          text: 'Pot it on, then feed as usual',
          right: true,
          why: 'A larger pot holds water and food from one can to the next.',
        },
      ],
    },
    {
      key: 'brews',
      story:
        'A grass soak and a comfrey ferment are both ready. The chillies flower, the chard is in leaf.',
      marks: stageMarks('flowering', CHILLI),
      choices: [
        {
          text: 'Grass on the chillies',
          right: false,
          why: 'Grass brings nitrogen: leaves now, and later fruit.',
        },
        {
          text: 'Comfrey on the chillies, grass on the chard',
          right: true,
          why: 'Comfrey brings potassium for fruit, grass brings nitrogen for leaves.',
        },
        { text: 'Both mixed on both', right: false, why: 'Each then gets half of what it needs.' },
      ],
    },
    {
      key: 'dry',
      story:
        'At four in the afternoon the tub of tomatoes hangs. It is light, and dry a finger deep.',
      marks: sign('wilt_noon', TOMATO),
      choices: [
        {
          text: 'Water now, feed tomorrow',
          right: true,
          why: 'On dry roots even a weak feed burns.',
        },
        {
          text: 'Feed at half strength',
          right: false,
          why: 'Half strength on dry roots still burns: water comes first.',
        },
        {
          text: 'Feed at full strength, less of it',
          right: false,
          why: 'Less water carries the same salt to dry roots.',
        },
      ],
    },
    {
      key: 'base',
      story: 'The first tomatoes have a dark, sunken base. The tap water is hard.',
      marks: sign('fruit_end_black', TOMATO),
      choices: [
        {
          text: 'Spray calcium on the fruit',
          right: false,
          why: 'Hard water brings calcium enough, and no spray mends a fruit.',
        },
        {
          text: 'Feed more potassium',
          right: false,
          why: 'More potassium makes it harder to take calcium up.',
        },
        {
          text: 'Water evenly, and read the run-off',
          right: true,
          why: 'Dry spells or salt kept calcium from the fruit.',
        },
      ],
    },
    {
      key: 'missed',
      story: 'You were away for a week, and the chard was watered but not fed.',
      marks: pointedAt('vegetative', CHARD),
      choices: [
        {
          text: 'The usual feed, then as before',
          right: true,
          why: 'It takes up the rest from the soil, and catches up.',
        },
        {
          text: 'Twice the strength, once',
          right: false,
          why: 'The roots get all of the salt at once.',
        },
        {
          text: 'Nothing until the next moon',
          right: false,
          why: 'Two weeks without food do show in a pot.',
        },
      ],
    },
  ];
}
