<?php

declare(strict_types=1);

namespace Wellspring\Core\Module;

use Wellspring\Core\Arrangement\Arrangements;
use Wellspring\Core\Card\CardSchema;
use Wellspring\Core\Choice\FilterControl;
use Wellspring\Core\Choice\FilterControls;
use Wellspring\Core\Choice\Offer;
use Wellspring\Core\Choice\OfferReader;
use Wellspring\Core\Content\Field;
use Wellspring\Core\Empty\EmptyAction;
use Wellspring\Core\Empty\EmptyRule;
use Wellspring\Core\Empty\WhenNothing;
use Wellspring\Core\Filter\Test;
use Wellspring\Core\Filter\Tests;
use Wellspring\Core\Look\Departure;
use Wellspring\Core\Option\OptionValues;
use Wellspring\Core\Paging\PagingMode;
use Wellspring\Core\Paging\PagingRule;
use Wellspring\Core\Sort\Criteria;
use Wellspring\Core\Sort\Direction;
use Wellspring\Core\Source\SourceKinds;
use Wellspring\Core\Time\CalendarUnit;

/** The JSON Schema (2020-12) of a module's definition, made from the registers. */
final class ModuleSchema
{
    private const TEXT = ['type' => 'string', 'minLength' => 1];

    /** @return array<string, mixed> */
    public static function build(): array
    {
        return [
            '$schema' => 'https://json-schema.org/draft/2020-12/schema',
            'title' => 'A Wellspring module, format '.ModuleReader::FORMAT,
            ...self::object([
                'format' => ['const' => ModuleReader::FORMAT],
                'key' => [
                    'type' => 'string',
                    'pattern' => '^[a-z0-9-]{1,64}$',
                    'description' => 'Unique; the module keeps it.',
                ],
                'name' => self::TEXT + ['maxLength' => 200],
                'source' => ['description' => 'What it draws from.', 'oneOf' => SourceKinds::schemas()],
                'where' => ['$ref' => '#/$defs/group'],
                'leaveOut' => ['$ref' => '#/$defs/slugs'],
                'pin' => ['$ref' => '#/$defs/slugs'],
                'headings' => self::headings(),
                'order' => self::order(),
                'skip' => ['type' => 'integer', 'minimum' => 0, 'maximum' => 1_000_000, 'default' => 0],
                'atMost' => ['type' => 'integer', 'minimum' => 1, 'maximum' => 1_000_000],
                'page' => self::page(),
                'arrange' => ['oneOf' => self::arrangements()],
                'card' => CardSchema::build('#/$defs/empty'),
                'whenNothing' => WhenNothing::schema(),
                'look' => self::object(OptionValues::schemas(Departure::options())),
                'offer' => self::offer(),
            ], ['format', 'key', 'name', 'source']),
            '$defs' => [
                'fieldKey' => [
                    'type' => 'string',
                    'pattern' => '^[a-z][a-z0-9_]{0,62}([.][a-z][a-z0-9_]{0,62})?$',
                    'description' => 'A field, or one reached through another: leader.name.',
                ],
                'slugs' => ['type' => 'array', 'uniqueItems' => true, 'items' => self::TEXT],
                'group' => self::group(),
                'condition' => ['anyOf' => self::conditions()],
                'taken' => ['oneOf' => self::taken()],
                'empty' => EmptyRule::schema(EmptyAction::ofOneCard(), '#/$defs/empty'),
            ],
        ];
    }

    /** @return array<string, mixed> */
    private static function headings(): array
    {
        return self::object([
            'by' => ['type' => 'string', 'pattern' => trim(Field::KEY, '/D')],
            'per' => [
                'enum' => array_column(CalendarUnit::cases(), 'value'),
                'default' => 'month',
                'description' => 'For dates and instants.',
            ],
            'direction' => ['enum' => array_column(Direction::cases(), 'value'), 'default' => 'up'],
        ], ['by']);
    }

    /** @return array<string, mixed> */
    private static function order(): array
    {
        return [
            'type' => 'array',
            'maxItems' => 8,
            'description' => 'First to last; the source’s own order when absent or empty: items newest first.',
            'items' => self::object([
                'by' => self::TEXT + ['description' => 'A field, or '.implode(', ', Criteria::keys()).'.'],
                'direction' => ['enum' => array_column(Direction::cases(), 'value'), 'default' => 'up'],
                'empty' => ['enum' => ['last', 'first'], 'default' => 'last'],
                ...Criteria::optionSchemas(),
            ], ['by']),
        ];
    }

    /** @return array<string, mixed> */
    private static function offer(): array
    {
        $key = ['type' => 'string', 'pattern' => trim(OfferReader::NAME, '/D')];
        $named = fn (string $what, array $schema): array => [
            'type' => 'array',
            'maxItems' => OfferReader::MAX_OTHERS,
            'items' => self::object(['key' => $key, 'name' => self::TEXT, $what => $schema], ['key', 'name', $what]),
        ];

        return ['description' => 'What visitors may choose, or whose choices it follows.', 'oneOf' => [
            self::object(['follow' => self::TEXT], ['follow']),
            self::object([
                'key' => ['type' => 'string', 'pattern' => trim(OfferReader::KEY, '/D')],
                'filters' => [
                    'type' => 'array',
                    'maxItems' => OfferReader::MAX_FILTERS,
                    'items' => self::object([
                        'field' => self::TEXT,
                        'as' => ['enum' => array_keys(FilterControls::all())],
                        'name' => $key + ['description' => 'What the address calls it; the field’s key unless said.'],
                        'join' => ['enum' => ['any', 'all'], 'default' => 'any'],
                        'label' => self::TEXT,
                        'options' => ['$ref' => '#/$defs/slugs'],
                        'most' => ['type' => 'integer', 'minimum' => 1, 'maximum' => 500],
                        'counts' => ['type' => 'boolean', 'default' => true],
                        'open' => ['type' => 'boolean', 'default' => true],
                        'rule' => [
                            'description' => 'only: what it keeps.',
                            'anyOf' => [['$ref' => '#/$defs/condition'], ['$ref' => '#/$defs/group']],
                        ],
                        ...array_merge(...array_map(
                            fn (FilterControl $one): array => OptionValues::schemas($one->settings()),
                            array_values(FilterControls::all()),
                        )),
                    ], ['field', 'as']),
                ],
                'orders' => $named('order', self::order()),
                'sizes' => [
                    'type' => 'array',
                    'uniqueItems' => true,
                    'items' => ['type' => 'integer', 'minimum' => 1, 'maximum' => PagingRule::MAX_SIZE],
                ],
                'arrangements' => $named('arrange', ['oneOf' => self::arrangements()]),
                ...OptionValues::schemas(Offer::settings()),
            ]),
        ]];
    }

    /** @return array<string, mixed> */
    private static function page(): array
    {
        return self::object([
            'mode' => ['enum' => array_column(PagingMode::cases(), 'value'), 'default' => 'numbered'],
            'size' => ['type' => 'integer', 'minimum' => 1, 'maximum' => PagingRule::MAX_SIZE, 'default' => 10],
            'loads' => [
                'type' => 'integer',
                'minimum' => 0,
                'maximum' => 100,
                'default' => PagingRule::LOADS,
                'description' => 'continuous: how often it goes on by itself.',
            ],
            'count' => self::TEXT + [
                'maxLength' => PagingRule::MAX_COUNT,
                'description' => 'What is said above the records, a pattern of ICU’s MessageFormat that may name from, '
                    .'to, total, page and pages: “{from}–{to} of {total, plural, one {# plant} other {# plants}}”.',
            ],
        ]);
    }

    /** @return list<array<string, mixed>> */
    private static function arrangements(): array
    {
        return array_values(array_map(
            fn (string $one): array => self::object(
                ['as' => ['const' => $one::key()]] + OptionValues::schemas($one::options()),
                ['as'],
            ),
            Arrangements::all(),
        ));
    }

    /** @return array<string, mixed> */
    private static function group(): array
    {
        $members = [
            'type' => 'array',
            'maxItems' => 100,
            'items' => ['anyOf' => [['$ref' => '#/$defs/condition'], ['$ref' => '#/$defs/group']]],
        ];

        return self::object([
            'all' => $members,
            'any' => $members,
            'none' => $members,
            'off' => ['type' => 'boolean', 'default' => false],
        ]) + ['oneOf' => array_map(fn (string $join): array => ['required' => [$join]], ['all', 'any', 'none'])];
    }

    /** @return list<array<string, mixed>> one for all tests of the same value and options */
    private static function conditions(): array
    {
        $forms = [];
        foreach (Tests::all() as $test) {
            $says = serialize([$test->valueSchema(), $test::optionSchemas()]);
            $forms[$says]['keys'][$test->key()] = true;
            $forms[$says]['test'] = $test;
        }

        return array_values(array_map(
            fn (array $form): array => self::condition($form['test'], array_keys($form['keys'])),
            $forms,
        ));
    }

    /**
     * @param  list<string>  $keys
     * @return array<string, mixed>
     */
    private static function condition(Test $test, array $keys): array
    {
        $value = $test->wantsValue()
            ? ['value' => ['anyOf' => [$test->valueSchema(), ['$ref' => '#/$defs/taken']]]]
            : [];

        return self::object([
            'field' => ['$ref' => '#/$defs/fieldKey'],
            'test' => ['enum' => $keys],
            ...$value,
            ...$test::optionSchemas(),
            'whenMissing' => [
                'enum' => ['keepAll', 'keepNone'],
                'description' => 'What it does where the page, the viewer or the address gives no value.',
            ],
            'off' => ['type' => 'boolean', 'default' => false],
        ], ['field', 'test', ...array_keys($value)]);
    }

    /** @return list<array<string, mixed>> values that the page, the viewer or the address gives */
    private static function taken(): array
    {
        return [
            self::object([
                'from' => ['const' => 'page'],
                'take' => ['enum' => ['term', 'item', 'month', 'person']],
                'of' => self::TEXT + ['description' => 'The field of the page’s item that is taken.'],
            ], ['from', 'take']),
            self::object(['from' => ['const' => 'viewer']], ['from']),
            self::object(['from' => ['const' => 'address'], 'name' => self::TEXT], ['from']),
        ];
    }

    /**
     * @param  array<string, array<string, mixed>>  $properties
     * @param  list<string>  $required
     * @return array<string, mixed>
     */
    private static function object(array $properties, array $required = []): array
    {
        return ['type' => 'object']
            + ($required === [] ? [] : ['required' => $required])
            + ['additionalProperties' => false, 'properties' => $properties];
    }
}
