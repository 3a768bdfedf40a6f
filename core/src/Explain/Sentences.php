<?php

declare(strict_types=1);

namespace Wellspring\Core\Explain;

use Wellspring\Core\Empty\EmptyAction;
use Wellspring\Core\Filter\Condition;
use Wellspring\Core\Filter\Group;
use Wellspring\Core\Filter\Join;
use Wellspring\Core\Filter\Value\DynamicValue;
use Wellspring\Core\Filter\Value\WhenMissing;
use Wellspring\Core\Look\Departure;
use Wellspring\Core\Module\Module;
use Wellspring\Core\Paging\PagingMode;
use Wellspring\Core\Run\Steps;
use Wellspring\Core\Sort\Headings;
use Wellspring\Core\Wording\Format;
use Wellspring\Core\Wording\Piece;
use Wellspring\Core\Wording\Sentence;

/** Describes a module as a short text, one sentence for each rule. */
final class Sentences
{
    /** @return non-empty-list<Sentence> */
    public static function of(Module $module, Format $format): array
    {
        return [
            new Sentence('source', 'source', 'Take', $module->source->pieces($format)),
            ...self::where($module, $format),
            self::offer($module, $format),
            self::byHand($module),
            ...$module->headings === null ? [] : [self::headings($module->headings)],
            self::order($module),
            self::show($module),
            new Sentence('arrange', null, 'Lay out as', $module->arrange->pieces()),
            self::card($module),
            self::whenEmpty($module),
            self::look($module),
            new Sentence(
                'whenNothing',
                null,
                'When nothing is left',
                $module->whenNothing->do === EmptyAction::Say && $module->whenNothing->module === null
                    ? [new Piece('say '), new Piece("“{$module->whenNothing->plain()}”", 'whenNothing.text')]
                    : [new Piece($module->whenNothing->words($format), 'whenNothing')],
            ),
        ];
    }

    /** The whole module as text for copying, one line for each rule. */
    public static function asText(Module $module, Format $format): string
    {
        return $module->name."\n".implode(
            "\n",
            array_map(
                fn (Sentence $sentence): string => "{$sentence->lead}: {$sentence->text()}",
                self::of($module, $format),
            ),
        )."\n";
    }

    /** The rules that distinguish modules, as one line of text. */
    public static function asLine(Module $module, Format $format): string
    {
        $said = [
            'take '.self::lower(
                str_replace(
                    ' that are published',
                    '',
                    implode('', array_map(fn (Piece $piece): string => $piece->text, $module->source->pieces($format))),
                ),
            ),
        ];
        foreach (self::of($module, $format) as $sentence) {
            $text = $sentence->text();
            $said[] = match (true) {
                $sentence->off => '',
                $sentence->link !== '' => "keep only those {$sentence->link} ".self::lower($text),
                $sentence->rule === 'byHand' => $module->pin === [] && $module->leaveOut === [] ? '' : $text,
                $sentence->rule === 'headings' => 'under headings by '.self::lower($text),
                $sentence->rule === 'order' => 'order by '.self::lower($text),
                $sentence->rule === 'page' => 'show '.$text,
                $sentence->rule === 'arrange' => 'as a '.self::lower($text),
                default => '',
            };
        }

        return ucfirst(implode(' · ', array_filter($said, fn (string $part): bool => $part !== '')));
    }

    /** @return list<Sentence> */
    private static function where(Module $module, Format $format): array
    {
        $sentences = [];
        foreach (Steps::ofWhere($module->where) as $counted) {
            [$rule, $part] = [(string) $counted->name, $counted->rule];
            $pieces = $part instanceof Condition
                ? self::condition($part, $rule, $format)
                : self::group($part, $rule, $format);
            $sentences[] = new Sentence(
                $rule,
                $rule,
                $part->off ? 'Switched off' : 'Keep only',
                $pieces,
                $part->off,
                $part instanceof Group ? 'where' : 'whose',
            );
        }

        return $sentences;
    }

    /** @return list<Piece> */
    private static function condition(Condition $condition, string $at, Format $format): array
    {
        $value = $condition->value instanceof DynamicValue
            ? $condition->value->words($condition->field)
            : $condition->test->valueWords($condition, $format);
        $pieces = [
            new Piece($condition->field->label, $at.'.field'),
            new Piece(' '),
            new Piece($condition->test->words($condition), $at.'.test'),
        ];
        if ($value !== '') {
            array_push($pieces, new Piece(' '), new Piece($value, $at.'.value'));
        }
        if ($condition->below) {
            $pieces[] = new Piece(' or below');
        }
        array_push($pieces, ...$condition->test->optionPieces($condition, $at));
        if ($condition->whenMissing !== null) {
            $pieces[] = new Piece(
                $condition->whenMissing === WhenMissing::KeepAll
                    ? '; all where there is none'
                    : '; nothing where there is none',
            );
        }

        return $pieces;
    }

    /** @return list<Piece> */
    private static function group(Group $group, string $at, Format $format): array
    {
        $words = match ($group->join) {
            Join::All => 'all of these hold',
            Join::Any => 'any of these holds',
            Join::None => 'none of these holds',
        };
        $pieces = [new Piece($words, $at), new Piece(': ')];
        foreach ($group->members as $i => $member) {
            $place = "{$at}.{$group->join->value}[{$i}]";
            if ($i > 0) {
                $pieces[] = new Piece($group->join === Join::All ? ' and ' : ' or ');
            }
            if ($member->off) {
                $pieces[] = new Piece('(off) ');
            }
            array_push($pieces, ...($member instanceof Condition
                ? self::condition($member, $place, $format)
                : [new Piece('('), ...self::group($member, $place, $format), new Piece(')')]));
        }
        if ($group->members === []) {
            $pieces[] = new Piece('nothing asked yet, everything is kept');
        }

        return $pieces;
    }

    private static function offer(Module $module, Format $format): Sentence
    {
        $offer = $module->offer;
        $pieces = [];
        $add = function (string $words, string $at, string $after = '') use (&$pieces): void {
            $pieces[] = new Piece(($pieces === [] ? '' : ' · '));
            $pieces[] = new Piece($words, $at);
            $pieces[] = new Piece($after);
        };
        foreach ($module->follows === null ? $offer->filters ?? [] : [] as $i => $filter) {
            $add($filter->label(), "offer.filters[{$i}]", " by {$filter->control->words()}");
        }
        $names = fn (array $all): string => implode(', ', array_map(fn (string $name): string => "“{$name}”", $all));
        if ($offer !== null && $module->follows === null) {
            $offer->orders === [] || $add('order', 'offer.orders', ' '.$names(array_column($offer->orders, 'name')));
            $offer->sizes === [] || $add(implode(', ', $offer->sizes), 'offer.sizes', ' at a time');
            $offer->arrangements === []
                || $add('layout', 'offer.arrangements', ' '.$names(array_column($offer->arrangements, 'name')));
        }
        if ($module->follows !== null) {
            $add('what they choose for “'.$format->title("module/{$module->follows}").'”', 'offer');
        }

        return new Sentence('offer', 'choices', 'Visitors choose', $pieces === []
            ? [new Piece('nothing', 'offer')]
            : array_values(array_filter($pieces, fn (Piece $piece): bool => $piece->text !== '')));
    }

    private static function byHand(Module $module): Sentence
    {
        $pinned = count($module->pin);
        $left = count($module->leaveOut);

        return new Sentence('byHand', 'leaveOut', 'By hand', [
            new Piece($pinned === 0 ? 'none pinned' : "{$pinned} pinned", 'pin'),
            new Piece(' to the top, '),
            new Piece($left === 0 ? 'none left out' : "{$left} left out", 'leaveOut'),
        ]);
    }

    private static function order(Module $module): Sentence
    {
        $pieces = [];
        foreach ($module->order as $i => $key) {
            if ($i > 0) {
                $pieces[] = new Piece(', then ');
            }
            $pieces[] = new Piece($key->by->label(), "order[{$i}].by");
            if ($key->by->directionWords($key->direction) !== '') {
                array_push(
                    $pieces,
                    new Piece($i === 0 ? ', ' : ' '),
                    new Piece($key->by->directionWords($key->direction), "order[{$i}].direction"),
                );
            }
            if ($key->emptyFirst) {
                $pieces[] = new Piece(', empty ones first');
            }
        }

        return new Sentence('order', null, 'Order by', $pieces);
    }

    private static function headings(Headings $headings): Sentence
    {
        $per = $headings->perWords();

        return new Sentence('headings', null, 'Under headings by', [
            new Piece($headings->field->label, 'headings.by'),
            ...$per === '' ? [] : [new Piece(', by '), new Piece($per, 'headings.per')],
            new Piece(', '),
            new Piece(Headings::directionWords($headings->field, $headings->direction), 'headings.direction'),
        ]);
    }

    private static function show(Module $module): Sentence
    {
        $pieces = [
            new Piece("{$module->page->size} at a time", 'page.size'),
            new Piece(' '),
            new Piece($module->page->mode->words(), 'page.mode'),
        ];
        if ($module->page->mode === PagingMode::Continuous) {
            $pieces[] = new Piece(", {$module->page->loads} times by itself");
        }
        if ($module->skip > 0) {
            array_push($pieces, new Piece(', skipping '), new Piece("the first {$module->skip}", 'skip'));
        }
        if ($module->atMost !== null) {
            array_push($pieces, new Piece(', '), new Piece("at most {$module->atMost} in all", 'atMost'));
        }

        return new Sentence('page', 'total', 'Show', $pieces);
    }

    private static function look(Module $module): Sentence
    {
        $said = $module->look?->toArray() ?? [];
        $pieces = [];
        foreach (Departure::options() as $option) {
            if (isset($said[$option->key()])) {
                if ($pieces !== []) {
                    $pieces[] = new Piece(', ');
                }
                $pieces[] = new Piece($option->words($said[$option->key()]), "look.{$option->key()}");
            }
        }

        return new Sentence('look', null, 'In the look of', $pieces === []
            ? [new Piece('the site', 'look')]
            : [new Piece('the site', 'look'), new Piece(', but '), ...$pieces]);
    }

    private static function card(Module $module): Sentence
    {
        $pieces = [];
        foreach ($module->shownCard->parts() as $at => $part) {
            if ($pieces !== []) {
                $pieces[] = new Piece(' · ');
            }
            $pieces[] = new Piece($part->words(), $at);
        }

        return new Sentence('card', null, 'On each card', $pieces);
    }

    private static function whenEmpty(Module $module): Sentence
    {
        $pieces = [];
        foreach ($module->shownCard->parts() as $at => $part) {
            if ($part->empty->do === EmptyAction::LeaveOut) {
                continue;
            }
            if ($pieces !== []) {
                $pieces[] = new Piece('; ');
            }
            array_push($pieces, new Piece($part->words(), $at.'.empty'), new Piece(" {$part->empty->words()}"));
        }

        return new Sentence('empty', 'empty', 'When empty', [
            ...$pieces,
            ...($pieces === [] ? [] : [new Piece('; ')]),
            new Piece($pieces === [] ? 'parts with nothing to show' : 'other parts', 'empty'),
            new Piece(' are left out'),
        ]);
    }

    private static function lower(string $text): string
    {
        return mb_strtolower(mb_substr($text, 0, 1)).mb_substr($text, 1);
    }
}
