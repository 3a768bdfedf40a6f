<?php

declare(strict_types=1);

namespace Wellspring\Core\Card;

use Wellspring\Core\Card\Part\Title;
use Wellspring\Core\Content\Field;
use Wellspring\Core\Content\Record;
use Wellspring\Core\Empty\Level;
use Wellspring\Core\Empty\Node;
use Wellspring\Core\Filter\Condition;

/** The layout of one record: lines of parts. */
final readonly class Card
{
    /**
     * @param  non-empty-array<int, Line>  $lines  by their positions in the definition; unreadable lines are missing
     */
    public function __construct(public array $lines)
    {
    }

    /**
     * @param  Record  $record  as the viewer sees it
     * @return Node<RenderedPart> its lines, each with its parts
     */
    public function node(Record $record, CardContext $context): Node
    {
        return Node::branch(
            Level::Card,
            array_values(array_map(fn (Line $line): Node => $line->node($record, $context), $this->lines)),
        );
    }

    /**
     * @param  Record  $record  as the viewer sees it
     * @return list<list<RenderedPart>> the parts that are left, by line; none where nothing is
     */
    public function lines(Record $record, CardContext $context): array
    {
        return self::linesOf($this->node($record, $context));
    }

    /**
     * @param  Node<RenderedPart>  $card
     * @return list<list<RenderedPart>>
     */
    public static function linesOf(Node $card): array
    {
        return array_map(
            fn (Node $line): array => array_values(array_filter(
                array_map(fn (Node $part): ?RenderedPart => $part->content, $line->children),
            )),
            $card->left()->children ?? [],
        );
    }

    /**
     * True if the record is listed: no part removes its card, and at least one line remains. Parts that remove the
     * module or more do not affect the list.
     *
     * @param  Record  $record  as the viewer sees it
     */
    public function isListed(Record $record, CardContext $context): bool
    {
        $node = $this->node($record, $context);

        return $node->left() !== null || ($node->takes()->value ?? 0) > Level::Card->value;
    }

    /** The same as a rule for the database. */
    public function presence(): Presence
    {
        return Presence::any([
            $this->takes(Level::Module),
            Presence::all([
                $this->takes(Level::Card)->not(),
                Presence::any(array_values(
                    array_map(fn (Line $line): Presence => $line->isShown(), $this->lines),
                )),
            ]),
        ]);
    }

    /**
     * @param  Record  $record  as the viewer sees it
     * @return array<string, Part> the parts that have nothing to show of it, by their place in a definition
     */
    public function gaps(Record $record, CardContext $context): array
    {
        return array_filter($this->fillable(), fn (Part $part): bool => $part->value($record, $context) === null);
    }

    /** @return array<string, Part> the parts that a record can lack something for, by their place in a definition */
    public function fillable(): array
    {
        return array_filter($this->parts(), fn (Part $part): bool => $part->kind->canBeFilledIn());
    }

    /** @return array<string, Part> by their place in a definition: `card.lines[0].parts[1]` */
    public function parts(): array
    {
        $parts = [];
        foreach ($this->lines as $l => $line) {
            foreach ($line->parts as $p => $part) {
                $parts["card.lines[{$l}].parts[{$p}]"] = $part;
            }
        }

        return $parts;
    }

    /** The card with its title alone, in the title's line; the whole card if it has no title. */
    public function titleAlone(): self
    {
        foreach ($this->lines as $l => $line) {
            foreach ($line->parts as $p => $part) {
                if ($part->kind instanceof Title) {
                    return new self([$l => new Line([$p => $part])]);
                }
            }
        }

        return $this;
    }

    /** @return list<Field> all that it asks of a record */
    public function fields(): array
    {
        return array_merge(...array_values(array_map(
            fn (Part $part): array => $part->fields(),
            $this->parts(),
        )));
    }

    /** @return list<Condition> what its parts ask of a record */
    public function conditions(): array
    {
        return array_merge(...array_values(array_map(
            fn (Part $part): array => $part->conditions(),
            $this->parts(),
        )));
    }

    /** True if it may look different after midnight without a write. */
    public function changesDaily(): bool
    {
        return array_filter($this->parts(), fn (Part $part): bool => $part->changesDaily()) !== [];
    }

    /** @return array{lines: list<array{parts: list<array<string, mixed>>}>} */
    public function toArray(): array
    {
        return ['lines' => array_values(array_map(fn (Line $line): array => ['parts' => array_values(
            array_map(fn (Part $part): array => $part->toArray(), $line->parts),
        )], $this->lines))];
    }

    private function takes(Level $level): Presence
    {
        return Presence::any(array_values(
            array_map(fn (Line $line): Presence => $line->takes($level), $this->lines),
        ));
    }
}
