<?php

declare(strict_types=1);

namespace Wellspring\Core\Card\Part;

use Wellspring\Core\Card\CardContext;
use Wellspring\Core\Card\CardFields;
use Wellspring\Core\Card\Part;
use Wellspring\Core\Card\PartContent;
use Wellspring\Core\Card\PartKind;
use Wellspring\Core\Card\PartValue;
use Wellspring\Core\Content\Record;
use Wellspring\Core\Content\Type;
use Wellspring\Core\Option\OptionValues;
use Wellspring\Core\Option\Words;
use Wellspring\Core\Problem\Shape;
use Wellspring\Core\Wording\Format;

/** The number of views of the record. */
final class Views implements PartKind
{
    use Defaults;

    public function key(): string
    {
        return 'views';
    }

    public function label(): string
    {
        return 'Views';
    }

    public function options(): array
    {
        return [new Words('message', 'In words', hint: '{n, plural, one {# view} other {# views}}')];
    }

    public function offers(Type $type): array
    {
        return isset($type->reachable['views'])
            ? [['label' => $this->label(), 'part' => [
                'part' => $this->key(),
                'message' => '{n, plural, one {# view} other {# views}}',
            ]]]
            : [];
    }

    public function read(Shape $shape, CardFields $fields): ?PartContent
    {
        $views = $fields->type->reachable['views'] ?? null;
        if ($views === null) {
            $shape->wrong('part', "a part that {$fields->type->plural} have; their views are not counted", 'views');

            return null;
        }
        $values = OptionValues::read($this->options(), $shape);
        if ($values->text('message') !== '' && ! Format::saysEveryNumber($values->text('message'))) {
            $shape->wrong('message', 'a message of ICU that says something of every n in at most '
                .Format::LONGEST_PATTERN.' characters, such as '
                .'{n, plural, one {# view} other {# views}}', $values->text('message'));
        }

        return new PartContent($values, $views);
    }

    public function show(Part $part, Record $record, CardContext $context): ?PartValue
    {
        $views = $part->fieldValue($record);
        $views = is_int($views) ? $views : 0;

        return PartValue::text($part->option('message') === ''
            ? $context->format->number($views)
            : $context->format->numberInWords($views, $part->option('message')));
    }
}
