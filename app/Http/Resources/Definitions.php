<?php

declare(strict_types=1);

namespace App\Http\Resources;

use OpenApi\Attributes as OA;

/**
 * The definitions that the API takes and gives, as the manage screens edit them. What exactly they may say is in
 * docs/formats: a draft may say what is no longer right, and is given as it is.
 *
 * @phpstan-type DefinitionShape array<string, mixed>
 * @phpstan-type PartShape array<string, mixed>
 * @phpstan-type PageFileShape array<string, mixed>
 * @phpstan-type FrameFileShape array<string, mixed>
 * @phpstan-type PageBandShape array<string, mixed>
 * @phpstan-type PageBlockShape array<string, mixed>
 * @phpstan-type MenuFileShape array<string, mixed>
 * @phpstan-type SettingsFileShape array<string, mixed>
 * @phpstan-type LookFileShape array<string, mixed>
 * @phpstan-type TypeFileShape array<string, mixed>
 * @phpstan-type TaxonomyFileShape array<string, mixed>
 */
#[OA\Schema(schema: 'Definition', type: 'object', required: [
    'format', 'key', 'name', 'source', 'order', 'page', 'arrange', 'card', 'whenNothing',
], properties: [
    new OA\Property('format', type: 'integer', enum: [1]),
    new OA\Property('key', type: 'string'),
    new OA\Property('name', type: 'string'),
    new OA\Property('source', ref: '#/components/schemas/Source'),
    new OA\Property('where', ref: '#/components/schemas/Group'),
    new OA\Property('leaveOut', type: 'array', items: new OA\Items(type: 'string')),
    new OA\Property('pin', type: 'array', items: new OA\Items(type: 'string')),
    new OA\Property('headings', ref: '#/components/schemas/Headings'),
    new OA\Property('order', type: 'array', items: new OA\Items(ref: '#/components/schemas/SortKey')),
    new OA\Property('skip', type: 'integer'),
    new OA\Property('atMost', type: 'integer'),
    new OA\Property('page', type: 'object', required: ['mode', 'size'], properties: [
        new OA\Property('mode', type: 'string'),
        new OA\Property('size', type: 'integer'),
        new OA\Property('loads', type: 'integer'),
        new OA\Property('count', type: 'string'),
    ]),
    new OA\Property('offer', ref: '#/components/schemas/Offer'),
    new OA\Property('arrange', type: 'object', required: ['as'], properties: [
        new OA\Property('as', type: 'string'),
        new OA\Property('columns', type: 'object', required: ['phone', 'tablet', 'laptop', 'desktop'], properties: [
            new OA\Property('phone', type: 'integer'),
            new OA\Property('tablet', type: 'integer'),
            new OA\Property('laptop', type: 'integer'),
            new OA\Property('desktop', type: 'integer'),
        ]),
    ], additionalProperties: true),
    new OA\Property('card', type: 'object', required: ['lines'], properties: [
        new OA\Property('lines', type: 'array', items: new OA\Items(type: 'object', required: ['parts'], properties: [
            new OA\Property('parts', type: 'array', items: new OA\Items(ref: '#/components/schemas/Part')),
        ])),
    ]),
    new OA\Property('whenNothing', type: 'object', required: ['do'], properties: [
        new OA\Property('do', type: 'string', enum: [
            'say', 'show', 'leaveOutModule', 'leaveOutSlot', 'leaveOutBand',
        ]),
        new OA\Property('text', type: 'string'),
        new OA\Property('html', type: 'string'),
        new OA\Property('module', type: 'string'),
    ]),
    new OA\Property('look', type: 'object', additionalProperties: new OA\AdditionalProperties(type: 'string')),
])]
#[OA\Schema(schema: 'Source', description: 'Exactly one of the first seven.', type: 'object', properties: [
    new OA\Property('items', type: 'array', items: new OA\Items(type: 'string')),
    new OA\Property('terms', type: 'string'),
    new OA\Property('people', type: 'object', required: ['groups'], properties: [
        new OA\Property('groups', type: 'array', items: new OA\Items(type: 'string')),
    ]),
    new OA\Property('months', type: 'array', items: new OA\Items(type: 'string')),
    new OA\Property('years', type: 'array', items: new OA\Items(type: 'string')),
    new OA\Property('page', type: 'string', enum: ['item', 'term']),
    new OA\Property('one', type: 'string'),
    new OA\Property('under', type: 'string'),
    new OA\Property('used', type: 'boolean'),
    new OA\Property('pages', type: 'object', properties: [
        new OA\Property('under', type: 'string'),
        new OA\Property('only', type: 'array', items: new OA\Items(type: 'string')),
    ]),
    new OA\Property('counting', type: 'array', items: new OA\Items(type: 'string')),
    new OA\Property('by', type: 'string'),
    new OA\Property('type', type: 'string'),
    new OA\Property('of', type: 'string'),
])]
#[OA\Schema(schema: 'Group', description: 'Exactly one of all, any and none.', type: 'object', properties: [
    new OA\Property('all', type: 'array', items: new OA\Items(ref: '#/components/schemas/Rule')),
    new OA\Property('any', type: 'array', items: new OA\Items(ref: '#/components/schemas/Rule')),
    new OA\Property('none', type: 'array', items: new OA\Items(ref: '#/components/schemas/Rule')),
    new OA\Property('off', type: 'boolean'),
])]
#[OA\Schema(schema: 'Offer', description: 'What visitors choose.', type: 'object', properties: [
    new OA\Property('key', type: 'string'),
    new OA\Property('follow', type: 'string'),
    new OA\Property('filters', type: 'array', items: new OA\Items(ref: '#/components/schemas/OfferedFilter')),
    new OA\Property('orders', type: 'array', items: new OA\Items(ref: '#/components/schemas/OfferedOrder')),
    new OA\Property('sizes', type: 'array', items: new OA\Items(type: 'integer')),
    new OA\Property('arrangements', type: 'array', items: new OA\Items(
        type: 'object',
        required: ['key', 'name', 'arrange'],
        properties: [
            new OA\Property('key', type: 'string'),
            new OA\Property('name', type: 'string'),
            new OA\Property('arrange', type: 'object', required: ['as'], properties: [
                new OA\Property('as', type: 'string'),
            ], additionalProperties: true),
        ],
    )),
], additionalProperties: true)]
#[OA\Schema(schema: 'OfferedFilter', type: 'object', required: ['field', 'as'], properties: [
    new OA\Property('field', type: 'string'),
    new OA\Property('as', type: 'string'),
    new OA\Property('name', type: 'string'),
    new OA\Property('join', type: 'string', enum: ['any', 'all']),
    new OA\Property('label', type: 'string'),
    new OA\Property('options', type: 'array', items: new OA\Items(type: 'string')),
    new OA\Property('most', type: 'integer'),
    new OA\Property('counts', type: 'boolean'),
    new OA\Property('open', type: 'boolean'),
    new OA\Property('rule', ref: '#/components/schemas/Rule'),
], additionalProperties: true)]
#[OA\Schema(schema: 'OfferedOrder', type: 'object', required: ['key', 'name', 'order'], properties: [
    new OA\Property('key', type: 'string'),
    new OA\Property('name', type: 'string'),
    new OA\Property('order', type: 'array', items: new OA\Items(ref: '#/components/schemas/SortKey')),
])]
#[OA\Schema(schema: 'Rule', anyOf: [
    new OA\Schema(ref: '#/components/schemas/Condition'),
    new OA\Schema(ref: '#/components/schemas/Group'),
])]
#[OA\Schema(schema: 'Condition', type: 'object', required: ['field', 'test'], properties: [
    new OA\Property('field', type: 'string'),
    new OA\Property('test', type: 'string'),
    new OA\Property('value'),
    new OA\Property('below', type: 'boolean'),
    new OA\Property(
        'in',
        description: 'The fields that a search looks in, and what finding a word there counts.',
        type: 'object',
        additionalProperties: new OA\AdditionalProperties(type: 'number'),
    ),
    new OA\Property('whenMissing', type: 'string', enum: ['keepAll', 'keepNone']),
    new OA\Property('off', type: 'boolean'),
])]
#[OA\Schema(schema: 'SortKey', type: 'object', required: ['by', 'direction', 'empty'], properties: [
    new OA\Property('by', type: 'string'),
    new OA\Property('direction', type: 'string', enum: ['up', 'down']),
    new OA\Property('empty', type: 'string', enum: ['last', 'first']),
    new OA\Property('days', type: 'integer'),
    new OA\Property('confidence', type: 'number'),
    new OA\Property('of', oneOf: [
        new OA\Schema(type: 'string'),
        new OA\Schema(type: 'array', items: new OA\Items(type: 'string')),
    ]),
    new OA\Property('term', type: 'string'),
])]
#[OA\Schema(schema: 'Headings', type: 'object', required: ['by', 'direction'], properties: [
    new OA\Property('by', type: 'string'),
    new OA\Property('per', type: 'string', enum: ['day', 'week', 'month', 'year']),
    new OA\Property('direction', type: 'string', enum: ['up', 'down']),
])]
#[OA\Schema(schema: 'Part', type: 'object', required: ['part'], properties: [
    new OA\Property('part', type: 'string'),
    new OA\Property('field', type: 'string'),
    new OA\Property('level', type: 'integer'),
    new OA\Property('words', type: 'integer'),
    new OA\Property('message', type: 'string'),
    new OA\Property('label', type: 'string'),
    new OA\Property('empty', ref: '#/components/schemas/EmptyRule'),
], additionalProperties: true)]
#[OA\Schema(schema: 'EmptyRule', type: 'object', required: ['do'], properties: [
    new OA\Property('do', type: 'string', enum: [
        'leaveOut', 'leaveOutLine', 'leaveOutCard', 'leaveOutModule', 'leaveOutSlot', 'leaveOutBand', 'say', 'use',
        'standIn', 'keepSpace',
    ]),
    new OA\Property('text', type: 'string'),
    new OA\Property('field', type: 'string'),
    new OA\Property('picture', type: 'string'),
    new OA\Property('video', type: 'string'),
    new OA\Property('frame', type: 'string'),
    new OA\Property('loop', type: 'boolean'),
    new OA\Property('zoom', type: 'integer'),
    new OA\Property('place', required: ['latitude', 'longitude'], properties: [
        new OA\Property('address', type: 'string'),
        new OA\Property('latitude', type: 'number'),
        new OA\Property('longitude', type: 'number'),
    ], type: 'object'),
    new OA\Property('then', ref: '#/components/schemas/EmptyRule'),
])]
#[OA\Schema(schema: 'LookFile', type: 'object', required: ['format', 'key', 'name', 'colours'], properties: [
    new OA\Property('format', type: 'integer', enum: [1]),
    new OA\Property('key', type: 'string'),
    new OA\Property('name', type: 'string'),
    new OA\Property('colours', type: 'object', additionalProperties: new OA\AdditionalProperties(type: 'string')),
    new OA\Property('dark', type: 'object', additionalProperties: new OA\AdditionalProperties(type: 'string')),
    new OA\Property('css', type: 'string'),
], additionalProperties: true)]
#[OA\Schema(schema: 'PageFile', type: 'object', required: ['format', 'key', 'address', 'title', 'bands'], properties: [
    new OA\Property('format', type: 'integer', enum: [1]),
    new OA\Property('key', type: 'string'),
    new OA\Property('address', type: 'string'),
    new OA\Property('about', ref: '#/components/schemas/PageAbout'),
    new OA\Property('title', type: 'string'),
    new OA\Property('showTitle', type: 'boolean'),
    new OA\Property('description', type: 'string'),
    new OA\Property('picture', type: 'string'),
    new OA\Property('video', type: 'string'),
    new OA\Property('frame', type: 'string'),
    new OA\Property('loop', type: 'boolean'),
    new OA\Property('zoom', type: 'integer'),
    new OA\Property('place', required: ['latitude', 'longitude'], properties: [
        new OA\Property('address', type: 'string'),
        new OA\Property('latitude', type: 'number'),
        new OA\Property('longitude', type: 'number'),
    ], type: 'object'),
    new OA\Property('menu', type: 'object', required: ['label'], properties: [
        new OA\Property('label', type: 'string'),
    ]),
    new OA\Property('audience', type: 'array', items: new OA\Items(type: 'string')),
    new OA\Property('from', type: 'string', nullable: true),
    new OA\Property('until', type: 'string', nullable: true),
    new OA\Property('whenNotForYou', type: 'string'),
    new OA\Property('bands', type: 'array', items: new OA\Items(ref: '#/components/schemas/PageBand')),
])]
#[OA\Schema(schema: 'PageAbout', type: 'object', properties: [
    new OA\Property('term', type: 'string'),
    new OA\Property('item', type: 'string'),
    new OA\Property('month', type: 'array', items: new OA\Items(type: 'string')),
    new OA\Property('year', type: 'array', items: new OA\Items(type: 'string')),
    new OA\Property('person', type: 'boolean'),
    new OA\Property('by', type: 'string'),
    new OA\Property('under', type: 'string'),
    new OA\Property('only', type: 'array', items: new OA\Items(type: 'string')),
])]
#[OA\Schema(schema: 'PageBand', type: 'object', required: ['key', 'slots'], properties: [
    new OA\Property('key', type: 'string'),
    new OA\Property('tone', type: 'string'),
    new OA\Property('ground', type: 'object', properties: [
        new OA\Property('colour', type: 'string'),
        new OA\Property('picture', type: 'string'),
        new OA\Property('video', type: 'string'),
        new OA\Property('frame', type: 'string'),
        new OA\Property('loop', type: 'boolean'),
        new OA\Property('zoom', type: 'integer'),
        new OA\Property('place', required: ['latitude', 'longitude'], properties: [
            new OA\Property('address', type: 'string'),
            new OA\Property('latitude', type: 'number'),
            new OA\Property('longitude', type: 'number'),
        ], type: 'object'),
        new OA\Property('page', type: 'string', enum: ['picture']),
    ]),
    new OA\Property('audience', type: 'array', items: new OA\Items(type: 'string')),
    new OA\Property('from', type: 'string', nullable: true),
    new OA\Property('until', type: 'string', nullable: true),
    new OA\Property('slots', type: 'array', items: new OA\Items(ref: '#/components/schemas/PageSlot')),
], additionalProperties: true)]
#[OA\Schema(schema: 'PageSlot', type: 'object', required: ['share', 'blocks'], properties: [
    new OA\Property('share', type: 'integer'),
    new OA\Property('audience', type: 'array', items: new OA\Items(type: 'string')),
    new OA\Property('from', type: 'string', nullable: true),
    new OA\Property('until', type: 'string', nullable: true),
    new OA\Property('blocks', type: 'array', items: new OA\Items(ref: '#/components/schemas/PageBlock')),
], additionalProperties: true)]
#[OA\Schema(schema: 'PageBlock', description: 'A module or a block, with its own keys.', type: 'object', properties: [
    new OA\Property('types', type: 'array', items: new OA\Items(type: 'string')),
    new OA\Property('module', type: 'string'),
    new OA\Property('block', type: 'string'),
    new OA\Property('heading', oneOf: [new OA\Schema(type: 'string'), new OA\Schema(type: 'boolean')]),
    new OA\Property('level', type: 'integer'),
    new OA\Property('shape', type: 'string'),
    new OA\Property('crop', type: 'string'),
    new OA\Property('text', type: 'string'),
    new OA\Property('html', type: 'string'),
    new OA\Property('picture', type: 'string'),
    new OA\Property('video', type: 'string'),
    new OA\Property('frame', type: 'string'),
    new OA\Property('loop', type: 'boolean'),
    new OA\Property('zoom', type: 'integer'),
    new OA\Property('place', required: ['latitude', 'longitude'], properties: [
        new OA\Property('address', type: 'string'),
        new OA\Property('latitude', type: 'number'),
        new OA\Property('longitude', type: 'number'),
    ], type: 'object'),
    new OA\Property('menu', type: 'string'),
    new OA\Property('fields', type: 'array', items: new OA\Items(type: 'string')),
    new OA\Property('field', type: 'string'),
    new OA\Property('order', type: 'string'),
    new OA\Property('of', type: 'string'),
    new OA\Property('page', type: 'string'),
    new OA\Property('button', type: 'string'),
    new OA\Property('filters', type: 'array', items: new OA\Items(type: 'string')),
    new OA\Property('card', type: 'object', required: ['lines'], properties: [
        new OA\Property('lines', type: 'array', items: new OA\Items(type: 'object', required: ['parts'], properties: [
            new OA\Property('parts', type: 'array', items: new OA\Items(ref: '#/components/schemas/Part')),
        ])),
    ]),
    new OA\Property('audience', type: 'array', items: new OA\Items(type: 'string')),
    new OA\Property('from', type: 'string', nullable: true),
    new OA\Property('until', type: 'string', nullable: true),
], additionalProperties: true)]
#[OA\Schema(schema: 'MenuFile', type: 'object', required: ['format', 'key', 'entries'], properties: [
    new OA\Property('format', type: 'integer', enum: [1]),
    new OA\Property('key', type: 'string'),
    new OA\Property('entries', type: 'array', items: new OA\Items(ref: '#/components/schemas/MenuEntry')),
])]
#[OA\Schema(
    schema: 'MenuEntry',
    description: 'Leads to exactly one of page, term, item, link and module.',
    type: 'object',
    properties: [
        new OA\Property('page', type: 'string'),
        new OA\Property('term', type: 'array', items: new OA\Items(type: 'string')),
        new OA\Property('item', type: 'array', items: new OA\Items(type: 'string')),
        new OA\Property('link', type: 'string'),
        new OA\Property('module', type: 'string'),
        new OA\Property('label', type: 'string'),
        new OA\Property('audience', type: 'array', items: new OA\Items(type: 'string')),
        new OA\Property('entries', type: 'array', items: new OA\Items(ref: '#/components/schemas/MenuEntry')),
    ],
)]
#[OA\Schema(schema: 'SettingsFile', type: 'object', required: [
    'format', 'name', 'locale', 'timeZone', 'currency', 'signUp',
], properties: [
    new OA\Property('format', type: 'integer', enum: [1]),
    new OA\Property('name', type: 'string'),
    new OA\Property('locale', type: 'string'),
    new OA\Property('timeZone', type: 'string'),
    new OA\Property('firstWeekday', type: 'integer'),
    new OA\Property('currency', type: 'string'),
    new OA\Property('signUp', type: 'boolean'),
    new OA\Property('home', type: 'string'),
    new OA\Property('homeForMembers', type: 'string'),
    new OA\Property('notFound', type: 'string'),
    new OA\Property('noAccess', type: 'string'),
    new OA\Property('map', required: ['tiles', 'attribution'], properties: [
        new OA\Property('tiles', type: 'string'),
        new OA\Property('attribution', type: 'string'),
    ], type: 'object'),
    new OA\Property('videoSites', type: 'array', items: new OA\Items(
        required: ['name', 'host', 'oembed', 'frames'],
        properties: [
            new OA\Property('name', type: 'string'),
            new OA\Property('host', type: 'string'),
            new OA\Property('oembed', type: 'string'),
            new OA\Property('frames', type: 'string'),
        ],
        type: 'object',
    )),
])]
#[OA\Schema(schema: 'FrameFile', type: 'object', required: ['format', 'slots'], properties: [
    new OA\Property('format', type: 'integer', enum: [1]),
    new OA\Property(
        'slots',
        description: 'By header, before, side, after and footer.',
        type: 'object',
        additionalProperties: new OA\AdditionalProperties(
            type: 'array',
            items: new OA\Items(ref: '#/components/schemas/PageBlock'),
        ),
    ),
])]
#[OA\Schema(schema: 'TypeFile', type: 'object', required: [
    '$schema', 'title', 'type', 'x-wellspring', 'properties',
], properties: [
    new OA\Property('$schema', type: 'string'),
    new OA\Property('title', type: 'string'),
    new OA\Property('type', type: 'string', enum: ['object']),
    new OA\Property('x-wellspring', type: 'object', required: [
        'format', 'key', 'plural', 'address', 'taxonomies',
    ], properties: [
        new OA\Property('format', type: 'integer', enum: [1]),
        new OA\Property('key', type: 'string'),
        new OA\Property('plural', type: 'string'),
        new OA\Property('address', type: 'string'),
        new OA\Property('taxonomies', type: 'array', items: new OA\Items(type: 'string')),
    ]),
    new OA\Property(
        'properties',
        type: 'object',
        additionalProperties: new OA\AdditionalProperties(ref: '#/components/schemas/FieldSchema'),
    ),
    new OA\Property('required', type: 'array', items: new OA\Items(type: 'string')),
])]
#[OA\Schema(schema: 'TaxonomyFile', type: 'object', required: ['format', 'key', 'label', 'tree'], properties: [
    new OA\Property('format', type: 'integer', enum: [1]),
    new OA\Property('key', type: 'string'),
    new OA\Property('label', type: 'string'),
    new OA\Property('tree', type: 'boolean'),
    new OA\Property(
        'properties',
        type: 'object',
        additionalProperties: new OA\AdditionalProperties(ref: '#/components/schemas/FieldSchema'),
    ),
    new OA\Property('required', type: 'array', items: new OA\Items(type: 'string')),
])]
#[OA\Schema(schema: 'FieldSchema', type: 'object', required: ['title', 'x-wellspring'], properties: [
    new OA\Property('title', type: 'string'),
    new OA\Property('description', type: 'string'),
    new OA\Property('type', type: 'string'),
    new OA\Property('enum', type: 'array', items: new OA\Items(type: 'string')),
    new OA\Property('items', type: 'object', properties: [
        new OA\Property('enum', type: 'array', items: new OA\Items(type: 'string')),
        new OA\Property('type', type: 'string'),
    ]),
    new OA\Property('default'),
    new OA\Property('minimum', type: 'number'),
    new OA\Property('maximum', type: 'number'),
    new OA\Property('minLength', type: 'integer'),
    new OA\Property('maxLength', type: 'integer'),
    new OA\Property('maxItems', type: 'integer'),
    new OA\Property('pattern', type: 'string'),
    new OA\Property('x-wellspring', type: 'object', required: ['kind'], properties: [
        new OA\Property('kind', type: 'string'),
        new OA\Property('unit', type: 'string'),
        new OA\Property('decimals', type: 'integer'),
        new OA\Property('earliest', type: 'string'),
        new OA\Property('rangeFrom', type: 'string'),
        new OA\Property('latest', type: 'string'),
        new OA\Property(
            'labels',
            type: 'object',
            additionalProperties: new OA\AdditionalProperties(type: 'string'),
        ),
        new OA\Property(
            'colours',
            type: 'object',
            additionalProperties: new OA\AdditionalProperties(type: 'string'),
        ),
        new OA\Property('types', type: 'array', items: new OA\Items(type: 'string')),
        new OA\Property('section', type: 'string'),
    ]),
], additionalProperties: true)]
final class Definitions
{
}
