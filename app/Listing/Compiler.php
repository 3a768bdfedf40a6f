<?php

declare(strict_types=1);

namespace App\Listing;

use App\Content\CatalogueStore;
use App\Listing\Compile\TestSql;
use App\Models\Item;
use Illuminate\Database\Eloquent\Builder;
use Wellspring\Core\Card\Card;
use Wellspring\Core\Card\EmptyAction;
use Wellspring\Core\Card\Line;
use Wellspring\Core\Card\Part;
use Wellspring\Core\Content\Kind\Instant;
use Wellspring\Core\Content\Status;
use Wellspring\Core\Filter\Condition;
use Wellspring\Core\Filter\Group;
use Wellspring\Core\Filter\Join;
use Wellspring\Core\Module\Module;
use Wellspring\Core\Sort\Direction;
use Wellspring\Core\Sort\SortKey;
use Wellspring\Core\Who\Audience;

/** Turns the parts of a definition into the parts of queries over `items`. */
final class Compiler
{
    /** @var array<class-string, TestSql<covariant \Wellspring\Core\Filter\Test>> */
    private array $tests = [];

    public function __construct(CatalogueStore $catalogue)
    {
        foreach ([
            new Compile\FilledSql, new Compile\YesOrNoSql, new Compile\ComparisonSql, new Compile\BetweenSql,
            new Compile\TextMatchSql, new Compile\ChoiceOneOfSql, new Compile\TermsOneOfSql($catalogue),
        ] as $sql) {
            $this->tests[$sql->test()] = $sql;
        }
    }

    /** @return Builder<Item> the items that the viewer may see at that moment */
    public function candidates(Module $module, \DateTimeImmutable $now, Audience $viewer): Builder
    {
        $at = Instant::write($now);

        return Item::query()
            ->where('items.type_key', $module->source->key)
            ->where('items.status', Status::Published->value)
            ->where('items.publish_at', '<=', $at)
            ->where(fn (Builder $query): Builder => $query->whereNull('items.expire_at')->orWhere('items.expire_at', '>', $at))
            ->whereIn('items.audience', array_map(fn (Audience $audience): string => $audience->value, $viewer->sees()));
    }

    public function rule(Condition|Group $rule): Fragment
    {
        return $rule instanceof Group ? $this->group($rule) : $this->condition($rule);
    }

    /** True where the item is not left out by hand. */
    public function notLeftOut(Module $module): Fragment
    {
        return $module->leaveOut === []
            ? Fragment::true()
            : new Fragment('items.slug <> all(?::text[])', [Fragment::arrayLiteral($module->leaveOut)]);
    }

    /** True where something of the card is left. */
    public function cardStands(Card $card): Fragment
    {
        $lines = array_map($this->lineStands(...), $card->lines);
        foreach ($lines as $line) {
            if ($line->sql === 'true') {
                return Fragment::true();
            }
        }

        return Fragment::any($lines);
    }

    /** True where the part has nothing to show. */
    public function partIsEmpty(Part $part): Fragment
    {
        return $this->partIsFilled($part)->not();
    }

    /** @return list<array{Fragment, string}> what to order by, and how, the id last */
    public function order(Module $module): array
    {
        return [
            ...array_map(fn (SortKey $key): array => [
                FieldSql::order($key->field),
                ($key->direction === Direction::Up ? 'asc' : 'desc').match (true) {
                    // Said where nothing can be empty, it would only keep an index from being used.
                    $key->field->isNeverEmpty() => '',
                    $key->emptyFirst => ' nulls first',
                    default => ' nulls last',
                },
            ], $module->order),
            [new Fragment('items.id'), 'asc'],
        ];
    }

    private function condition(Condition $condition): Fragment
    {
        if ($condition->off) {
            return Fragment::true();
        }
        $sql = $this->tests[$condition->test::class] ?? throw new \LogicException('No query is known for '.$condition->test::class.'.');

        // @phpstan-ignore argument.type (the register pairs every test's class with its own query)
        return $sql->fragment($condition->test, $condition);
    }

    private function group(Group $group): Fragment
    {
        $members = array_map($this->rule(...), $group->off ? [] : $group->active());
        if ($members === []) {
            return Fragment::true();
        }

        return match ($group->join) {
            Join::All => Fragment::all($members),
            Join::Any => Fragment::any($members),
            Join::None => Fragment::any($members)->not(),
        };
    }

    private function lineStands(Line $line): Fragment
    {
        $needed = [];
        $shows = [];
        $sure = false;
        foreach ($line->parts as $part) {
            $filled = $this->partIsFilled($part);
            if ($part->empty->do === EmptyAction::LeaveOutLine && ! $part->field->isNeverEmpty()) {
                $needed[] = $filled;
            }
            $sure = $sure || $part->field->isNeverEmpty() || $part->empty->do === EmptyAction::Say;
            $shows[] = $filled;
        }

        return Fragment::all($sure ? $needed : [...$needed, Fragment::any($shows)]);
    }

    private function partIsFilled(Part $part): Fragment
    {
        return match (true) {
            $part->field->isNeverEmpty() => Fragment::true(),
            $part->kind->needsWords() => new Fragment(FieldSql::folded($part->field).' is not null'),
            default => FieldSql::filled($part->field),
        };
    }
}
