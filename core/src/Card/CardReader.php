<?php

declare(strict_types=1);

namespace Wellspring\Core\Card;

use Wellspring\Core\Content\Family;
use Wellspring\Core\Content\Field;
use Wellspring\Core\Content\Type;
use Wellspring\Core\Empty\EmptyAction;
use Wellspring\Core\Empty\EmptyRule;
use Wellspring\Core\Problem\Path;
use Wellspring\Core\Problem\Problems;
use Wellspring\Core\Problem\Shape;

/** Reads the card of a module, which lays out each record. */
final readonly class CardReader
{
    private CardFields $fields;

    /**
     * @param  Type  $type  of the records
     * @param  non-empty-list<EmptyAction>  $actions  the actions that an empty-value rule of a part may have
     * @param  array<string, Field>|null  $fields  the fields that its parts may use; null: only the type's own
     */
    public function __construct(
        private Type $type,
        private Problems $problems,
        private array $actions,
        ?array $fields = null,
    ) {
        $this->fields = new CardFields($type, $problems, $fields);
    }

    public function read(Shape $definition): Card
    {
        $data = $definition->has('card') ? $definition->raw('card') : $this->plainCard();
        $card = new Shape($data, $definition->at('card'), $this->problems, ['lines']);
        $lines = [];
        $given = $card->items('lines');
        foreach ($given as $l => $lineData) {
            $line = new Shape($lineData, Path::to($card->at('lines'), $l), $this->problems, ['parts']);
            $parts = $this->parts($line);
            $line->noOthers();
            if ($parts !== []) {
                $lines[] = new Line($parts);
            }
        }
        if ($given === [] && is_array($data)) {
            $card->wrong('lines', 'a list of lines, at least one', $card->raw('lines'));
        }
        $card->noOthers();

        return new Card($lines === [] ? [new Line([$this->title()])] : $lines);
    }

    /** @return list<Part> */
    private function parts(Shape $line): array
    {
        $parts = [];
        foreach ($line->items('parts') as $p => $partData) {
            $at = Path::to($line->at('parts'), $p);
            $parts[] = $this->problems->part(
                $at,
                fn (): ?Part => $this->part(new Shape($partData, $at, $this->problems, ['part', 'empty'])),
                $this->title(),
            );
        }
        if ($parts === []) {
            $line->wrong('parts', 'a list of parts, at least one', $line->raw('parts'));
        }

        return $parts;
    }

    private function part(Shape $shape): ?Part
    {
        $kinds = PartKinds::all();
        $key = $shape->oneOf('part', array_keys($kinds));
        if ($shape->raw('part') !== $key) {
            return null;
        }
        $content = $kinds[$key]->read($shape, $this->fields);
        $style = PartStyle::read($shape);
        $empty = EmptyRule::read($shape, $this->problems, $this->actions, $this->fields->all);
        foreach ($kinds[$key]->options() as $option) {
            $shape->has($option->key());
        }
        $shape->noOthers();

        return $content === null ? null : new Part($kinds[$key], $content, $empty, $style);
    }

    /** Placeholder for a part that cannot be read. */
    private function title(): Part
    {
        return new Part(new Part\Title, Part\Title::plain($this->fields), new EmptyRule, PartStyle::plain());
    }

    /** @return array<string, mixed> the card of a module that says none: picture, where the type has one, and title */
    private function plainCard(): array
    {
        $hasPicture = array_filter(
            $this->type->fields,
            fn (Field $field): bool => $field->family() === Family::Picture,
        ) !== [];

        return ['lines' => [
            ...($hasPicture ? [['parts' => [['part' => 'picture']]]] : []),
            ['parts' => [['part' => 'title']]],
        ]];
    }
}
