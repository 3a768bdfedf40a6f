<?php

declare(strict_types=1);

namespace Wellspring\Core\Content\File;

use Wellspring\Core\Content\Field;
use Wellspring\Core\Content\Kind;
use Wellspring\Core\Content\Limit\Limits;
use Wellspring\Core\Content\Ranges;
use Wellspring\Core\Content\WrongValue;
use Wellspring\Core\Problem\Path;
use Wellspring\Core\Problem\ProblemCode;
use Wellspring\Core\Problem\Problems;
use Wellspring\Core\Problem\Shape;
use Wellspring\Core\Text\Slug;

/** Reads a term: its texts, its picture and colour, and the fields of its taxonomy. */
final readonly class TermReader
{
    /** @param  array<string, Field>  $fields  of the taxonomy's terms, by key */
    public function __construct(private array $fields)
    {
    }

    /** @param  bool  $withBelow  true if `below` may contain terms */
    public function read(Shape $shape, Problems $problems, bool $withBelow = false): TermDraft
    {
        $name = $this->one(
            $shape,
            $problems,
            'name',
            new Field('name', 'Name', new Kind\Text, required: true, limits: new Limits(maxLength: 200)),
        );
        $slug = $shape->has('slug') && $shape->raw('slug') !== null && $shape->raw('slug') !== ''
            ? $shape->text('slug')
            : Slug::from(is_string($name) ? $name : '');
        if (! Slug::isOne($slug)) {
            $shape->wrong('slug', 'small letters, digits and single hyphens', $slug);
        }
        $description = $this->one(
            $shape,
            $problems,
            'description',
            new Field('description', 'Description', new Kind\LongText),
        );
        $picture = $this->one($shape, $problems, 'picture', new Field('picture', 'Picture', new Kind\Picture));
        $colour = $this->one($shape, $problems, 'colour', new Field('colour', 'Colour', new Kind\Colour));
        $own = new Shape($shape->has('fields') ? $shape->raw('fields') : [], $shape->at('fields'), $problems);
        $fields = [];
        foreach ($this->fields as $key => $field) {
            $fields[$key] = $this->one($own, $problems, $key, $field);
        }
        Ranges::check($this->fields, $fields, $problems, $own->at(...));
        $own->noOthers();
        $below = [];
        foreach ($withBelow ? $shape->items('below') : [] as $i => $one) {
            $below[] = $this->read(new Shape($one, Path::to($shape->at('below'), $i), $problems), $problems, true);
        }
        $shape->noOthers();

        return new TermDraft(
            $slug,
            is_string($name) ? $name : '',
            is_string($description) ? $description : '',
            is_string($picture) ? $picture : null,
            is_string($colour) ? $colour : null,
            array_filter($fields, fn (mixed $value): bool => $value !== null),
            $below,
        );
    }

    private function one(Shape $shape, Problems $problems, string $key, Field $field): mixed
    {
        try {
            $value = $shape->has($key) ? $field->kind->read($shape->raw($key), $field) : null;
        } catch (WrongValue $wrong) {
            $problems->add($shape->at($key), ProblemCode::WrongValue, $wrong->getMessage());

            return null;
        }
        if ($value === null && $field->required) {
            $problems->add(
                $shape->at($key),
                ProblemCode::Missing,
                "is missing; every term must have one ({$field->label}).",
            );
        }

        return $value;
    }
}
