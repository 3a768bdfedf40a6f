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
    /**
     * @param  int|null  $level  of a heading, 2 to 6
     * @param  int|null  $words  at most so many
     * @param  string  $label  stands before the value; empty for none
     */
    public function __construct(
        public PartKind $kind,
        public Field $field,
        public EmptyRule $empty = new EmptyRule,
        public ?int $level = null,
        public ?int $words = null,
        public string $label = '',
    ) {
    }

    /** What it shows of the record: plain text, for a picture its name; null where there is nothing to show. */
    public function shown(Record $record, Format $format): ?string
    {
        $shown = $this->kind->show($this, $record, $format);

        return $shown === '' ? null : $shown;
    }

    /**
     * @param  string  $at  where it stands in the definition
     * @param  list<string>  $types  keys of the content types whose items the module lists
     * @return list<Reference>
     */
    public function references(string $at, array $types): array
    {
        return $this->kind->key() === 'field' ? [Reference::toField("{$at}.field", $this->field, $types)] : [];
    }

    public function wording(): string
    {
        return $this->kind->words($this->field);
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return ['part' => $this->kind->key()]
            + ($this->kind->key() === 'field' ? ['field' => $this->field->key] : [])
            + ($this->level === null ? [] : ['level' => $this->level])
            + ($this->words === null ? [] : ['words' => $this->words])
            + ($this->label === '' ? [] : ['label' => $this->label])
            + ($this->empty->do === EmptyAction::LeaveOut ? [] : ['empty' => $this->empty->toArray()]);
    }
}
