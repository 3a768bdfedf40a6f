<?php

declare(strict_types=1);

namespace Wellspring\Core\Run;

use Wellspring\Core\Card\Format;
use Wellspring\Core\Content\Kind\Instant;
use Wellspring\Core\Content\Record;
use Wellspring\Core\Content\Status;
use Wellspring\Core\Content\Type;
use Wellspring\Core\Filter\Condition;
use Wellspring\Core\Filter\Group;
use Wellspring\Core\Module\Module;
use Wellspring\Core\Who\Audience;

/** Why a module shows a record, or does not: every rule that stands in its way, in a sentence. */
final readonly class Trace
{
    /** @param  list<string>  $reasons  none: the record passes every rule up to the order */
    private function __construct(public array $reasons, public bool $isPinned)
    {
    }

    public static function of(Module $module, Record $record, \DateTimeImmutable $now, Audience $viewer, Format $format): self
    {
        $reasons = self::candidacy($module, $record, Instant::write($now), $viewer, $format);
        $pinned = in_array($record->slug, $module->pin, true);
        foreach ($pinned || $record->type !== $module->source->key ? [] : Steps::ofWhere($module->where) as $rule) {
            if (! $rule->keeps($record)) {
                $reasons[] = $rule instanceof Condition ? self::condition($rule, $record, $format) : self::group($rule, $record, $format);
            }
        }
        if (in_array($record->slug, $module->leaveOut, true)) {
            $reasons[] = 'It is left out by hand.';
        }
        if ($record->type === $module->source->key && ! $module->card->stands($record)) {
            $reasons[] = 'Nothing of its card is left: every part that could show is empty.';
        }

        return new self($reasons, $pinned);
    }

    /** @return list<string> */
    private static function candidacy(Module $module, Record $record, string $at, Audience $viewer, Format $format): array
    {
        $dates = Type::itemFields();

        return array_values(array_filter([
            $record->type === $module->source->key ? '' : "The module takes {$module->source->plural}, and this is none.",
            $record->status === Status::Published ? '' : 'It is a draft.',
            $record->status === Status::Published && ($record->publishAt === null || $record->publishAt > $at) ? 'It is not published before '.$format->value($dates['publish_at'], $record->publishAt).'.' : '',
            $record->expireAt !== null && $at >= $record->expireAt ? 'It expired on '.$format->value($dates['expire_at'], $record->expireAt).'.' : '',
            in_array($record->audience, $viewer->sees(), true) ? '' : "It is only for {$record->audience->words()}.",
        ], fn (string $reason): bool => $reason !== ''));
    }

    private static function condition(Condition $condition, Record $record, Format $format): string
    {
        $field = $condition->field;
        $found = $format->value($field, $record->value($field), $record->names($field)) ?? 'empty';
        $asked = $condition->test->key() === 'anyOf'
            ? 'keeps '.implode(' or ', array_map($field->choiceLabel(...), array_filter((array) $condition->value, is_string(...))))
            : 'asks that it '.trim($condition->test->words($condition).' '.$condition->test->valueWords($condition));
        $asked .= $condition->below ? ' or below' : '';

        return "{$field->label} is ".mb_strimwidth($found, 0, 80, '…').", and the rule {$asked}.";
    }

    private static function group(Group $group, Record $record, Format $format): string
    {
        $inside = [];
        foreach ($group->active() as $member) {
            if ($member instanceof Condition && ! $member->keeps($record)) {
                $inside[] = rtrim(self::condition($member, $record, $format), '.');
            }
        }

        return $inside === [] ? 'It does not fit the group of rules.' : implode('; ', $inside).'.';
    }
}
