<?php

declare(strict_types=1);

namespace App\Site;

use App\Catalogue\Records;
use App\Models\Item;
use App\Models\Term;
use Illuminate\Support\Facades\DB;
use Wellspring\Core\Context\Context;
use Wellspring\Core\Context\PageSubject;
use Wellspring\Core\Filter\Value\FromPage;
use Wellspring\Core\Filter\Value\SubjectPart;
use Wellspring\Core\Module\Module;
use Wellspring\Core\Time\Calendar;

/**
 * A default page for previews of a module whose rules read the page: the term with the most items, the newest item, its
 * month or its author.
 */
final readonly class ExampleSubject
{
    /**
     * @return array{Context, string|null} the context, and a description of the record that its page is about; null if
     *   the module does not read the page, or if the context already has a record
     */
    public function in(Module $module, Context $context): array
    {
        if ($context->page != new PageSubject) {
            return [$context, null];
        }
        foreach (self::needed($module, $context) as $need) {
            [$subject, $title] = match ($need['part']) {
                SubjectPart::Term => self::term($need['of'], $module),
                default => self::item($need['of'], $module, $need['part'], $context),
            };
            if ($subject !== null) {
                return [$context->with(page: $subject), $title];
            }
        }

        return [$context, null];
    }

    /**
     * @param  Context  $context  of a page about nothing
     * @return list<array{part: SubjectPart, of: string}> of: a taxonomy or a type; empty: any
     */
    private static function needed(Module $module, Context $context): array
    {
        $needed = array_filter([$module->source->takesFromPage()]);
        foreach ($module->where?->conditions() ?? [] as $condition) {
            if ($condition->value instanceof FromPage) {
                $needed[] = [
                    'part' => $condition->value->take,
                    'of' => $condition->value->take === SubjectPart::Term
                        ? $condition->field->taxonomy->key ?? ''
                        : '',
                ];
            } elseif ($condition->test->lacks($context)) {
                $needed[] = ['part' => SubjectPart::Item, 'of' => $module->source->typeKeys()[0] ?? ''];
            }
        }

        return $needed;
    }

    /** @return array{PageSubject|null, string} */
    private static function term(string $taxonomy, Module $module): array
    {
        $types = $module->source->typeKeys();
        $counted = DB::table('item_term')->join('items', 'items.id', '=', 'item_term.item_id')
            ->join('terms', 'terms.id', '=', 'item_term.term_id')
            ->where('items.status', 'published')
            ->when($taxonomy !== '', fn ($query) => $query->where('terms.taxonomy_key', $taxonomy))
            ->when($types !== [], fn ($query) => $query->whereIn('items.type_key', $types))
            ->groupBy('terms.id')->orderByRaw('count(*) desc, terms.id')->value('terms.id');
        $term = is_numeric($counted)
            ? Term::query()->find((int) $counted)
            : Term::query()->when($taxonomy !== '', fn ($query) => $query->where('taxonomy_key', $taxonomy))
                ->orderBy('position')->orderBy('id')->first();

        return $term === null
            ? [null, '']
            : [new PageSubject(term: ['taxonomy' => $term->taxonomy_key, 'slug' => $term->slug]), $term->name];
    }

    /** @return array{PageSubject|null, string} */
    private static function item(string $type, Module $module, SubjectPart $part, Context $context): array
    {
        $types = $type === '' ? $module->source->typeKeys() : [$type];
        $query = Item::query()->where('status', 'published')->where('publish_at', '<=', $context->now)
            ->when($types !== [], fn ($query) => $query->whereIn('type_key', $types))
            ->when($part === SubjectPart::Person, fn ($query) => $query->whereNotNull('author_id'))
            ->orderByDesc('publish_at')->orderByDesc('id');
        $item = Item::query()->find($query->value('id'));
        if (! $item instanceof Item) {
            return [null, ''];
        }
        $record = Records::complete($item);

        return match ($part) {
            SubjectPart::Month => [
                new PageSubject(month: $month = self::month($item, $context->calendar)),
                $month,
            ],
            SubjectPart::Person => [
                new PageSubject(person: $item->author?->email),
                $item->author->name ?? '',
            ],
            default => [new PageSubject(item: $record), $item->title],
        };
    }

    private static function month(Item $item, Calendar $calendar): string
    {
        return ($item->publish_at ?? now()->toImmutable())->setTimezone($calendar->zone)->format('Y-m');
    }
}
