<?php

declare(strict_types=1);

namespace Wellspring\Core\Card;

use Wellspring\Core\Content\Field;
use Wellspring\Core\Content\Record;
use Wellspring\Core\Content\Reference;
use Wellspring\Core\Empty\EmptyAction;
use Wellspring\Core\Empty\EmptyRule;
use Wellspring\Core\Wording\Format;

/** One part of a card's line. */
final readonly class Part
{
    /** The field that it shows; null where it shows none. */
    public ?Field $field;

    /** @param  string  $label  stands before the value; empty for none */
    public function __construct(
        public PartKind $kind,
        private PartContent $content,
        public EmptyRule $empty = new EmptyRule,
        public string $label = '',
    ) {
        $this->field = $content->field;
    }

    /** A whole number that the kind says for itself. */
    public function number(string $option, int $default): int
    {
        $number = $this->content->options[$option] ?? $default;

        return is_int($number) ? $number : $default;
    }

    /** A text that the kind says for itself. */
    public function option(string $option): ?string
    {
        $text = $this->content->options[$option] ?? null;

        return is_string($text) ? $text : null;
    }

    /** What it shows of the record: plain text, for a picture its name; null where there is nothing to show. */
    public function shown(Record $record, Format $format): ?string
    {
        $shown = $this->kind->show($this, $record, $format);

        return $shown === '' ? null : $shown;
    }

    /** What it shows of a field of the record, as the site writes it. */
    public function fieldText(Record $record, Format $format): ?string
    {
        return $this->field?->display($record->value($this->field), $format, $record->names($this->field));
    }

    /**
     * @param  string  $at  where it stands in the definition
     * @param  list<string>  $types  keys of the content types whose items the module lists
     * @return list<Reference>
     */
    public function references(string $at, array $types): array
    {
        return $this->kind->references($this, $at, $types);
    }

    public function words(): string
    {
        return $this->kind->words($this);
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return ['part' => $this->kind->key()]
            + $this->content->options
            + ($this->label === '' ? [] : ['label' => $this->label])
            + ($this->empty->do === EmptyAction::LeaveOut ? [] : ['empty' => $this->empty->toArray()]);
    }
}
