<?php

declare(strict_types=1);

namespace App\Listing;

use App\Catalogue\Records;
use App\Listing\Compile\Source\SourceSql;
use App\Models\Item;
use Illuminate\Database\Eloquent\Builder;
use Wellspring\Core\Content\Field;
use Wellspring\Core\Content\Record;
use Wellspring\Core\Context\Context;
use Wellspring\Core\Source\Source;

/** The register of what sources are in the database, and the records that they give. */
final readonly class Sources
{
    public const CLASSES = [
        Compile\Source\ItemsSql::class,
        Compile\Source\OneItemSql::class,
        Compile\Source\PageItemSql::class,
        Compile\Source\TaxonomyTermsSql::class,
        Compile\Source\PageTermSql::class,
        Compile\Source\PeopleSql::class,
        Compile\Source\ArchiveSql::class,
    ];

    /** @var array<class-string, SourceSql<covariant Source>> by the source's class */
    private array $all;

    /** @param  iterable<SourceSql<covariant Source>>  $all */
    public function __construct(iterable $all)
    {
        $byClass = [];
        foreach ($all as $sql) {
            $byClass[$sql->source()] = $sql;
        }
        $this->all = $byClass;
    }

    /** @return Builder<Item> named `items` */
    public function candidates(Source $source, Context $context): Builder
    {
        return $this->find($source)->candidates($source, $context);
    }

    /** @return Builder<Item> see SourceSql::allOfKind() */
    public function allOfKind(Source $source, Context $context): Builder
    {
        return $this->find($source)->allOfKind($source, $context);
    }

    /** One of the kind by its slug, whether the source takes it or not; null where there is none. Not for items. */
    public function record(Source $source, string $slug, Context $context): ?Record
    {
        $row = $this->allOfKind($source, $context)->toBase()->where('items.slug', $slug)->first();

        return $row === null
            ? $this->find($source)->unstored($source, $slug, $context)
            : RecordRows::record($row);
    }

    /**
     * @param  list<int>  $ids
     * @param  array<array-key, Field>  $fields  what is asked of them
     * @return list<Record> in the order of the ids
     */
    public function records(Source $source, array $ids, array $fields, Context $context): array
    {
        if ($source->isItems()) {
            return Records::byId($ids, $fields, $context);
        }
        $rows = $ids === [] ? [] : $this->candidates($source, $context)
            ->toBase()
            ->whereIn('items.id', $ids)
            ->get()
            ->keyBy('id')
            ->all();

        return array_values(
            array_map(
                fn (int $id): Record => RecordRows::record($rows[$id]),
                array_filter($ids, fn (int $id): bool => isset($rows[$id])),
            ),
        );
    }

    /** @return SourceSql<Source> */
    private function find(Source $source): SourceSql
    {
        // @phpstan-ignore return.type (the register pairs every source's class with its own query)
        return $this->all[$source::class] ?? throw new \LogicException('No query is known for '.$source::class.'.');
    }
}
