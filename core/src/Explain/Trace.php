<?php

declare(strict_types=1);

namespace Wellspring\Core\Explain;

use Wellspring\Core\Card\Card;
use Wellspring\Core\Card\CardContext;
use Wellspring\Core\Content\Field;
use Wellspring\Core\Content\Record;
use Wellspring\Core\Content\Status;
use Wellspring\Core\Context\Context;
use Wellspring\Core\Empty\Level;
use Wellspring\Core\Filter\BoundCondition;
use Wellspring\Core\Filter\BoundGroup;
use Wellspring\Core\Filter\Join;
use Wellspring\Core\Filter\ValueLists;
use Wellspring\Core\Module\Module;
use Wellspring\Core\Run\StepKind;
use Wellspring\Core\Run\StepName;
use Wellspring\Core\Run\Steps;
use Wellspring\Core\Source\People;
use Wellspring\Core\Wording\Format;
use Wellspring\Core\Wording\Piece;

/** Explains why a module shows a record or not: every rule up to the order, passed or failed, in a sentence. */
final readonly class Trace
{
    /** @param  list<TraceStep>  $steps */
    private function __construct(public array $steps, public bool $isPinned)
    {
    }

    /** @param  string  $kind  the record's kind: “Post” */
    public static function of(
        Module $module,
        Record $record,
        Context $context,
        Format $format,
        string $kind = 'of another kind',
    ): self {
        $module = $module->bound($context);
        $record = $record->seenThrough($context->visibility());
        $pinned = in_array($record->slug, $module->pin, true);
        $source = self::source($module, $record, $context, $format, $kind);
        $steps = [$source];
        $fits = $module->source->accepts($record->type);
        foreach ($fits ? Steps::ofWhere($module->where) : [] as $counted) {
            $rule = $counted->rule;
            $kept = $rule->keeps($record, $context);
            $steps[] = new TraceStep(
                $counted->name, self::label($rule, $record, $format), $pinned && ! $kept ? null : $kept,
                $rule->off
                    ? 'The rule is switched off and asks nothing.'
                    : ($pinned && ! $kept ? 'Not asked of what is pinned. ' : '')
                        .self::rule($rule, $record, $context, $format),
            );
        }
        $choices = $fits ? $module->chosen->rule() : null;
        if ($choices !== null) {
            $kept = $choices->keeps($record, $context);
            $steps[] = new TraceStep(
                StepName::of(StepKind::Choices),
                'What the visitor has chosen',
                $kept,
                'Of what the visitor has chosen: '.lcfirst(self::group($choices, $record, $context, $format)),
            );
        }
        $left = in_array($record->slug, $module->leaveOut, true);
        $steps[] = new TraceStep(
            StepName::of(StepKind::LeaveOut),
            'By hand',
            ! $left,
            $left ? 'It is left out by hand.' : ($pinned ? 'It is pinned to the top.' : 'It is not left out by hand.'),
        );
        if ($fits) {
            $cards = new CardContext($context, $format);
            $isVisible = $module->shownCard->isListed($record, $cards);
            $steps[] = new TraceStep(
                StepName::of(StepKind::Empty),
                'Something to show',
                $isVisible,
                $isVisible
                    ? 'Something of its card is left to show.'
                    : self::whyNoCard($module->shownCard, $record, $cards),
            );
        }

        return new self($steps, $pinned);
    }

    /** True if it passes every rule up to the order. */
    public function passes(): bool
    {
        return $this->reasons() === [];
    }

    /** @return list<string> why it does not show: the sentences of the steps it does not pass */
    public function reasons(): array
    {
        return array_values(array_map(
            fn (TraceStep $step): string => $step->sentence,
            array_filter($this->steps, fn (TraceStep $step): bool => $step->passed === false),
        ));
    }

    private static function whyNoCard(Card $card, Record $record, CardContext $context): string
    {
        foreach ($card->gaps($record, $context) as $part) {
            if ($part->node($record, $context)->takes() === Level::Card) {
                return "It has no {$part->words()}, and the rule for that leaves its card out.";
            }
        }

        return 'Nothing of its card is left: every part that could show is empty.';
    }

    private static function source(
        Module $module,
        Record $record,
        Context $context,
        Format $format,
        string $kind,
    ): TraceStep {
        $at = $context->at();
        $source = $module->source;
        $what = $source->type()->plural;
        $published = $record->status === Status::Published;
        $why = array_values(array_filter([
            $source->accepts($record->type)
                ? $source->whyNot($record, $context)
                : "The module takes {$what}, and this is a {$kind}.",
            $published ? '' : ($record->type === People::KEY ? 'The account is closed.' : 'It is a draft.'),
            $published && ($record->publishAt === null || $record->publishAt > $at)
                ? 'It is not published before '.$format->dateTime((string) $record->publishAt).'.'
                : '',
            $record->expireAt !== null && $at >= $record->expireAt
                ? 'It expired on '.$format->dateTime($record->expireAt).'.'
                : '',
            $record->audience->admits($context->viewer)
                ? ''
                : "It is only for {$record->audience->words()}.",
        ], fn (string $reason): bool => $reason !== ''));

        return new TraceStep(
            StepName::of(StepKind::Source),
            $why === [] ? "Among {$what}" : 'Not among them',
            $why === [],
            $why === [] ? "It is among {$what}, and may be seen now." : implode(' ', $why),
        );
    }

    private static function label(BoundCondition|BoundGroup $rule, Record $record, Format $format): string
    {
        if ($rule instanceof BoundGroup) {
            return count($rule->active()) === 1
                ? self::label($rule->active()[0], $record, $format)
                : ucfirst($rule->join->value).' of '.count($rule->active()).' rules';
        }

        return $rule->test->asksRecord()
            ? $rule->field->label
            : "{$rule->field->label}: ".self::has($rule->field, $record, $format);
    }

    private static function rule(
        BoundCondition|BoundGroup $rule,
        Record $record,
        Context $context,
        Format $format,
    ): string {
        return $rule instanceof BoundCondition
            ? self::condition($rule, $record, $context, $format)
            : self::group($rule, $record, $context, $format);
    }

    private static function condition(
        BoundCondition $condition,
        Record $record,
        Context $context,
        Format $format,
    ): string {
        if ($condition->missing !== null) {
            return "The rule on {$condition->field->label} has no value to compare with on this page, and so keeps ".(
                $condition->missing->value === 'keepAll' ? 'everything.' : 'nothing.'
            );
        }
        $kept = $condition->keeps($record, $context);
        $link = $kept ? ', as' : ', and';
        if ($condition->test->asksRecord()) {
            return ($kept ? 'It passes: ' : 'It does not pass: ')."the rule asks that {$condition->field->label} ".trim(
                $condition->test->words($condition).' '.$condition->test->valueWords($condition, $format),
            ).implode('', array_map(
                fn (Piece $piece): string => $piece->text,
                $condition->test->optionPieces($condition, ''),
            )).'.';
        }
        $asked = in_array($condition->test->key(), ['anyOf', 'allOf'], true)
            ? 'keeps '.implode(
                $condition->test->key() === 'anyOf' ? ' or ' : ' and ',
                array_map($condition->field->choiceLabel(...), ValueLists::texts($condition->value)),
            )
            : 'asks that it '.trim(
                $condition->test->words($condition).' '.$condition->test->valueWords($condition, $format),
            );
        $asked .= $condition->below ? ' or below' : '';

        return "{$condition->field->label} is ".self::has($condition->field, $record, $format, $context)
            ."{$link} the rule {$asked}.";
    }

    /** The record's own value in a few words. */
    private static function has(Field $field, Record $record, Format $format, ?Context $context = null): string
    {
        if ($field->through !== null) {
            $values = $context === null
                ? []
                : array_map(
                    fn (Record $other): ?string => $field->display($other->value($field), $format),
                    $record->reached($field->through),
                );
            $found = implode(', ', array_filter($values)) ?: null;
        } else {
            $found = $field->display($record->value($field), $format, $record->names($field));
        }

        return $found === null ? 'empty' : mb_strimwidth($found, 0, 80, '…');
    }

    private static function group(BoundGroup $group, Record $record, Context $context, Format $format): string
    {
        $kept = $group->keeps($record, $context);
        $telling = array_filter($group->active(), fn (BoundCondition|BoundGroup $member): bool => match (true) {
            // A passed “any” and a failed “none” are explained by the conditions that hold; otherwise by those that
            // fail.
            $group->join === Join::All => $kept || ! $member->keeps($record, $context),
            default => $member->keeps($record, $context) === (($group->join === Join::Any) === $kept),
        });
        $lead = match ($group->join) {
            Join::All => $kept ? 'All of these hold' : 'Not all of these hold',
            Join::Any => $kept ? 'One of these holds' : 'None of these holds, and one must',
            Join::None => $kept ? 'None of these holds, as asked' : 'One of these holds, and none may',
        };
        $inside = implode(
            '; ',
            array_map(
                fn (BoundCondition|BoundGroup $member): string => rtrim(
                    self::rule($member, $record, $context, $format),
                    '.',
                ),
                $telling,
            ),
        );

        return $inside === '' ? "{$lead}." : "{$lead}: {$inside}.";
    }
}
