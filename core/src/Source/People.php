<?php

declare(strict_types=1);

namespace Wellspring\Core\Source;

use Wellspring\Core\Content\Field;
use Wellspring\Core\Content\Kind;
use Wellspring\Core\Content\Origin;
use Wellspring\Core\Content\Record;
use Wellspring\Core\Content\Type;
use Wellspring\Core\Context\Context;
use Wellspring\Core\Problem\ProblemCode;
use Wellspring\Core\Problem\Shape;
use Wellspring\Core\Wording\Format;
use Wellspring\Core\Wording\Piece;

/**
 * The people of some of the site's groups, each with the number of items that they wrote. Closed accounts are excluded.
 */
final readonly class People implements Source
{
    use Defaults;

    public const KEY = 'people';

    private Type $type;

    /**
     * @param  array<string, string>  $groups  keys and names of the chosen groups; empty: all groups
     * @param  array<string, string>  $all  keys and names of the site's groups
     */
    public function __construct(public array $groups, array $all)
    {
        $this->type = self::typeWith($all);
    }

    /** @param  array<string, string>  $groups  names by key */
    private static function typeWith(array $groups): Type
    {
        return new Type(
            self::KEY, 'Person', 'People', '',
            [
                'groups' => new Field('groups', 'Groups', new Kind\Choices, choices: $groups),
                'count' => new Field('count', 'Number of items', new Kind\Number('number')),
            ],
            base: self::base(),
        );
    }

    /** @return array<string, Field> what everyone may know of a person */
    public static function base(): array
    {
        return [
            'title' => new Field('title', 'Name', new Kind\Text, Origin::Item),
            'slug' => new Field('slug', 'Slug', new Kind\Text, Origin::Item),
        ];
    }

    public static function keys(): array
    {
        return ['people'];
    }

    public static function starts(): array
    {
        return [new SourceStart('people', 'People', fn (): array => ['people' => ['groups' => []]])];
    }

    public static function read(Shape $shape, SourceSite $site): self
    {
        $people = new Shape($shape->raw('people'), 'source.people', $site->problems, ['groups']);
        $groups = [];
        foreach ($people->items('groups') as $i => $group) {
            if (is_string($group) && isset($site->catalogue->groups[$group])) {
                $groups[$group] = $site->catalogue->groups[$group];
            } else {
                $site->problems->add(
                    "source.people.groups[{$i}]",
                    ProblemCode::UnknownGroup,
                    'expected a group of people ('.implode(', ', array_keys($site->catalogue->groups)).'), found '
                        .Shape::describe($group).'.',
                );
            }
        }
        $people->noOthers();

        return new self($groups, $site->catalogue->groups);
    }

    public static function schemas(): array
    {
        return [[
            'type' => 'object',
            'additionalProperties' => false,
            'required' => ['people'],
            'properties' => [
                'people' => [
                    'type' => 'object',
                    'additionalProperties' => false,
                    'required' => [],
                    'properties' => ['groups' => ['type' => 'array', 'items' => ['type' => 'string']]],
                ],
            ],
        ]];
    }

    public function type(): Type
    {
        return $this->type;
    }

    public function typeKeys(): array
    {
        return [];
    }

    public function accepts(string $kind): bool
    {
        return $kind === self::KEY;
    }

    public function whyNot(Record $record, Context $context): string
    {
        $groups = $record->value($this->type->fields['groups']);

        return $this->groups === []
            || array_intersect(
                is_array($groups) ? $groups : [],
                array_map(strval(...), array_keys($this->groups)),
            ) !== []
            ? '' : 'They do not belong to '.implode(' or ', $this->groups).'.';
    }

    public function records(array $all, Context $context): array
    {
        $author = Type::madeFields()['author'];
        $written = array_count_values(
            array_filter(
                array_map(
                    fn (Record $record): mixed => $record->value($author),
                    array_filter($all, $context->admits(...)),
                ),
                is_string(...),
            ),
        );
        $people = array_values(array_filter($all, fn (Record $record): bool => $this->contains($record, $context)));

        return array_map(
            fn (Record $person): Record => $person->with(['count' => $written[$person->email()] ?? 0]),
            $people,
        );
    }

    public function recordsOf(): RecordsOf
    {
        return RecordsOf::People;
    }

    public function defaultOrder(): DefaultOrder
    {
        return new DefaultOrder($this->type->reachable['title']);
    }

    public function about(): array
    {
        return ['person' => true];
    }

    public function pieces(Format $format): array
    {
        return [
            new Piece('people', 'source'),
            ...$this->groups === [] ? [] : [
                new Piece(' of '),
                new Piece(implode(' and ', $this->groups), 'source.people.groups'),
            ],
        ];
    }

    public function toArray(): array
    {
        return ['people' => ['groups' => array_map(strval(...), array_keys($this->groups))]];
    }
}
