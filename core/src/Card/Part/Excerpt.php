<?php

declare(strict_types=1);

namespace Wellspring\Core\Card\Part;

use Wellspring\Core\Card\CardContext;
use Wellspring\Core\Card\CardFields;
use Wellspring\Core\Card\Part;
use Wellspring\Core\Card\PartContent;
use Wellspring\Core\Card\PartKind;
use Wellspring\Core\Card\PartValue;
use Wellspring\Core\Card\Presence;
use Wellspring\Core\Content\Record;
use Wellspring\Core\Content\Type;
use Wellspring\Core\Option\Flag;
use Wellspring\Core\Option\OptionValues;
use Wellspring\Core\Option\Whole;
use Wellspring\Core\Option\Words;
use Wellspring\Core\Problem\Shape;
use Wellspring\Core\Text\Excerpt as Cut;

/**
 * The beginning of the record’s text, without markup. With `introduction`, the excerpt stops at the line that ends the
 * introduction. With `mark`, it stops at that mark. If the text has neither, the excerpt has a number of words or
 * characters and is cut at a word.
 */
final class Excerpt implements PartKind
{
    use Defaults;

    public function key(): string
    {
        return 'excerpt';
    }

    public function label(): string
    {
        return 'Excerpt';
    }

    private const WORDS = 24;

    public function options(): array
    {
        return [
            new Whole('words', 'Words', self::WORDS, 1, 500),
            new Whole('characters', 'Characters', null, 10, 3000),
            new Flag('introduction', 'Up to the end of the introduction', false),
            new Words('mark', 'Up to these letters of the HTML'),
        ];
    }

    public function offers(Type $type): array
    {
        return isset($type->reachable['text'])
            ? [['label' => $this->label(), 'part' => [
                'part' => $this->key(), 'words' => self::WORDS, 'introduction' => true,
            ]]]
            : [];
    }

    public function read(Shape $shape, CardFields $fields): ?PartContent
    {
        $text = $fields->type->reachable['text'] ?? null;
        if ($text === null) {
            $shape->wrong('part', "a part that {$fields->type->plural} have; they have no text", 'excerpt');
        }

        return $text === null ? null : new PartContent(OptionValues::read($this->options(), $shape), $text);
    }

    public function show(Part $part, Record $record, CardContext $context): ?PartValue
    {
        $html = $part->fieldValue($record);
        if (! is_string($html)) {
            return null;
        }
        $marked = $part->flag('introduction') ? Cut::introduction($html) : '';
        if ($marked === '' && $part->option('mark') !== '') {
            $marked = Cut::upTo($html, $part->option('mark'));
        }
        $text = $part->field === null ? '' : $record->visibleText($part->field);

        return PartValue::text(match (true) {
            $marked !== '' => $marked,
            $part->number('characters') > 0 => Cut::characters($text, max(1, $part->number('characters'))),
            default => Cut::words($text, max(1, $part->number('words'))),
        });
    }

    public function presence(Part $part): Presence
    {
        return $part->field === null ? Presence::never() : Presence::readable($part->field);
    }
}
