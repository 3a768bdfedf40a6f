<?php

declare(strict_types=1);

namespace Wellspring\Core\Page\Block;

use Wellspring\Core\Content\Type;
use Wellspring\Core\Page\Block;
use Wellspring\Core\Page\Offer\BlockSite;
use Wellspring\Core\Problem\Path;
use Wellspring\Core\Problem\ProblemCode;
use Wellspring\Core\Problem\Problems;
use Wellspring\Core\Problem\Shape;

/**
 * For authors and managers only: links to write new items of some types, their drafts, and items that are published
 * later: `{"block": "forAuthors", "types": ["post"]}`. Other visitors do not see the block.
 */
final readonly class ForAuthors implements Block
{
    use Defaults;

    /** @param  list<string>  $types  keys of content types; unknown ones are ignored */
    public function __construct(public array $types)
    {
    }

    public static function key(): string
    {
        return 'forAuthors';
    }

    public static function label(): string
    {
        return 'For authors';
    }

    public static function begin(BlockSite $site): ?array
    {
        return $site->types === []
            ? null
            : ['block' => self::key(), 'types' => array_column($site->types, 'key')];
    }

    public static function whyNone(): string
    {
        return 'There is no content type yet.';
    }

    public static function read(Shape $shape, Problems $problems, ?Type $type): self
    {
        $types = [];
        foreach ($shape->items('types') as $i => $key) {
            if (is_string($key) && preg_match(Type::KEY, $key) === 1) {
                $types[] = $key;
            } else {
                $problems->add(
                    Path::to($shape->at('types'), $i),
                    ProblemCode::WrongValue,
                    'expected the key of a content type, found '.Shape::describe($key).'.',
                );
            }
        }
        if ($types === []) {
            $shape->wrong('types', 'a list of content types, at least one', $shape->raw('types'));
        }

        return new self(array_values(array_unique($types)));
    }

    public function whyEmpty(): string
    {
        return 'only authors and managers see it';
    }

    public static function optionSchemas(): array
    {
        return [
            'types' => [
                'type' => 'array',
                'minItems' => 1,
                'items' => ['type' => 'string', 'pattern' => '^[a-z][a-z0-9_]{0,62}$'],
            ],
        ];
    }

    public function words(): string
    {
        return 'links for authors';
    }

    public function toArray(): array
    {
        return ['block' => self::key(), 'types' => $this->types];
    }
}
