<?php

declare(strict_types=1);

namespace App\Listing\Compile;

use App\Database\PostgresArray;
use App\Listing\Compile\Test\TestsSql;
use App\Listing\Visibility;
use Wellspring\Core\Card\Card;
use Wellspring\Core\Card\Part;
use Wellspring\Core\Card\Presence;
use Wellspring\Core\Content\Family;
use Wellspring\Core\Content\Field;
use Wellspring\Core\Content\Origin;
use Wellspring\Core\Context\Context;
use Wellspring\Core\Filter\BoundCondition;
use Wellspring\Core\Filter\BoundGroup;
use Wellspring\Core\Filter\Join;
use Wellspring\Core\Filter\Value\WhenMissing;
use Wellspring\Core\Module\BoundModule;

/** Translates the rules of a definition into SQL conditions over `items`. */
final readonly class Compiler
{
    public function __construct(private TestsSql $tests)
    {
    }

    public function rule(BoundCondition|BoundGroup $rule, Context $context): Fragment
    {
        return $rule instanceof BoundGroup ? $this->group($rule, $context) : $this->condition($rule, $context);
    }

    /** True if the record matches the visitor's choices. */
    public function isChosen(BoundModule $module, Context $context): Fragment
    {
        $rule = $module->chosen->rule();

        return $rule === null ? Fragment::true() : $this->group($rule, $context);
    }

    /** True if the item is not left out by hand. */
    public function notLeftOut(BoundModule $module): Fragment
    {
        return $module->leaveOut === []
            ? Fragment::true()
            : new Fragment('items.slug <> all(?::text[])', [PostgresArray::literal($module->leaveOut)]);
    }

    /** True if no empty-value rule leaves the card out. */
    public function cardIsListed(Card $card, Context $context): Fragment
    {
        return $this->presence($card->presence(), $context);
    }

    /** True if the part has no value of its own to show. */
    public function partIsEmpty(Part $part, Context $context): Fragment
    {
        return $this->presence($part->presence(), $context)->not();
    }

    private function presence(Presence $presence, Context $context): Fragment
    {
        return match (true) {
            $presence->rule === true => Fragment::true(),
            $presence->rule === false => Fragment::false(),
            default => $this->rule($presence->rule->bound($context), $context),
        };
    }

    private function condition(BoundCondition $condition, Context $context): Fragment
    {
        return match (true) {
            $condition->isInactive() => Fragment::true(),
            $condition->missing === WhenMissing::KeepNone => Fragment::false(),
            $condition->field->through === null => $this->test($condition, $context, 'items'),
            default => $this->reached($condition->field->through, $condition, $context),
        };
    }

    private function test(BoundCondition $condition, Context $context, string $of): Fragment
    {
        return $this->tests->find($condition->test)->fragment($condition->test, $condition, $context, $of);
    }

    /**
     * A test of the linked records. A positive test needs one linked record that passes. A negative test needs all of
     * them to pass.
     */
    private function reached(Field $link, BoundCondition $condition, Context $context): Fragment
    {
        $asked = $this->test($condition, $context, 'reached');
        $asked = $condition->test->isNegative() ? $asked->not() : $asked;
        $exists = match (true) {
            $link->family() === Family::Items => $this->linked(
                'items reached on reached.id = item_links.target_id',
                $link,
                Fragment::all([
                    new Fragment('reached.type_key = any(?::text[])', [PostgresArray::literal($link->types)]),
                    Visibility::ofItem($context, 'reached'),
                    $asked,
                ]),
            ),
            $link->origin === Origin::Type => $this->linked(
                '('.self::PEOPLE.') reached on reached.id = item_links.person_id',
                $link,
                $asked,
            ),
            default => new Fragment(
                'exists (select 1 from ('.self::PEOPLE
                    .") reached where reached.id = items.author_id and ({$asked->sql}))",
                $asked->bindings,
            ),
        };

        return $condition->test->isNegative() ? $exists->not() : $exists;
    }

    /** Rules read only the names of people. */
    private const PEOPLE = "select users.id, users.name, jsonb_build_object('name', users.folded) as folded from "
        .'users where users.active';

    private function linked(string $join, Field $link, Fragment $asked): Fragment
    {
        return new Fragment(
            "exists (select 1 from item_links join {$join} where item_links.item_id = items.id and item_links.field = "
                ."? and ({$asked->sql}))",
            [$link->key, ...$asked->bindings],
        );
    }

    private function group(BoundGroup $group, Context $context): Fragment
    {
        $members = array_map(
            fn (BoundCondition|BoundGroup $member): Fragment => $this->rule($member, $context),
            $group->off ? [] : $group->active(),
        );
        if ($members === []) {
            return Fragment::true();
        }

        return match ($group->join) {
            Join::All => Fragment::all($members),
            Join::Any => Fragment::any($members),
            Join::None => Fragment::any($members)->not(),
        };
    }
}
