<?php

declare(strict_types=1);

namespace App\Import;

use Wellspring\Core\Content\Type;
use Wellspring\Core\Problem\Problems;
use Wellspring\Core\Problem\Refused;
use Wellspring\Core\Problem\Shape;

/** The options of an import: the field of each column, and what happens with rows of known items. */
final readonly class ImportPlan
{
    public const MODES = ['create', 'update', 'both'];

    /**
     * @param  array<string, string|null>|null  $columns  the column by heading, null to ignore it; null as a whole:
     *   headings are columns
     * @param  'create'|'update'|'both'  $mode
     * @param  string  $key  what identifies a row: `slug`, or a field of the type
     * @param  bool  $makeTerms  true if missing terms are created
     * @param  bool  $skipBad  true if valid rows are written although others are invalid
     * @param  bool  $plain  true if cells stay unchanged: a leading apostrophe is then part of the text
     * @param  array<string, string>  $forms  forms of columns that a person has chosen: `point`, `comma`, `dayFirst`,
     *   `monthFirst`, or the separator of lists
     * @param  string|null  $pictures  path of a zip file with the pictures in cells
     */
    public function __construct(
        public ?array $columns = null,
        public string $mode = 'create',
        public string $key = 'slug',
        public bool $makeTerms = false,
        public bool $skipBad = false,
        public ?string $pictures = null,
        public bool $plain = false,
        public array $forms = [],
    ) {
    }

    /**
     * @param  array<string, mixed>  $said  columns, mode, key, makeTerms, skipBad, plain, forms
     *
     * @throws Refused
     */
    public static function read(array $said, Type $type, ?string $pictures): self
    {
        $problems = new Problems;
        $shape = new Shape($said, '', $problems, [
            'columns', 'mode', 'key', 'makeTerms', 'skipBad', 'plain', 'forms',
        ]);
        $columns = [];
        foreach (is_array($shape->raw('columns')) ? $shape->raw('columns') : [] as $heading => $column) {
            $columns[(string) $heading] = is_string($column) && $column !== '' ? $column : null;
        }
        $mode = $shape->oneOf('mode', self::MODES, 'create');
        $key = $shape->oneOf('key', self::keys($type), 'slug');
        $makeTerms = $shape->flag('makeTerms');
        $skipBad = $shape->flag('skipBad');
        $plain = $shape->flag('plain');
        $forms = array_filter(is_array($shape->raw('forms')) ? $shape->raw('forms') : [], is_string(...));
        $shape->noOthers();
        $problems->refuseIfAny();

        return new self(
            $columns,
            $mode === 'update' ? 'update' : ($mode === 'both' ? 'both' : 'create'),
            $key,
            $makeTerms,
            $skipBad,
            $pictures,
            $plain,
            array_combine(array_map(strval(...), array_keys($forms)), array_values($forms)),
        );
    }

    /** @return list<string> what a row of the type can be known by */
    public static function keys(Type $type): array
    {
        $keys = ['slug'];
        foreach ($type->fields as $field) {
            if (in_array($field->kind->key(), ['text', 'number', 'link'], true)) {
                $keys[] = $field->key;
            }
        }

        return $keys;
    }
}
