<?php

declare(strict_types=1);

namespace App\Listing;

use App\Catalogue\Records;
use App\Listing\Compile\Source\SourceSql;
use App\Models\Item;
use Illuminate\Database\Eloquent\Builder;
use Wellspring\Core\Content\Field;
use Wellspring\Core\Content\Record;
use Wellspring\Core\Content\RecordKey;
use Wellspring\Core\Context\Context;
use Wellspring\Core\Source\RecordsOf;
use Wellspring\Core\Source\Source;

/** The register of sources in SQL, and the records that they give. */
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
        Compile\Source\PagesSql::class,
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

    /** Finds a term, person, month or page by its slug, even outside the source. Null if the slug names none. */
    public function record(Source $source, string $slug, Context $context): ?Record
    {
        $row = $this->allOfKind($source, $context)->toBase()->where('items.slug', $slug)->first();

        return $row === null
            ? $this->find($source)->unstored($source, $slug, $context)
            : RecordRows::record($row);
    }

    /** @return string|null instant at which the first occurrence of a record begins; null where it has none */
    public function firstStart(Source $source, int $id, Context $context): ?string
    {
        $first = $this->allOfKind($source, $context)->toBase()->where('items.id', $id)->orderBy('items.starts_at');
        $row = $first->first(RecordKeys::columns($source));

        return $row === null ? null : RecordKeys::ofRow($row)->start;
    }

    /**
     * @param  list<RecordKey>  $keys
     * @param  array<array-key, Field>  $fields  the fields that are read
     * @return list<Record> in the order of the keys
     */
    public function records(Source $source, array $keys, array $fields, Context $context): array
    {
        if ($source->recordsOf() === RecordsOf::Items) {
            $ids = array_values(array_unique(array_map(fn (RecordKey $key): int => $key->id, $keys)));

            return RecordKeys::inOrder($keys, Records::byId($ids, $fields, $context));
        }
        if ($keys === []) {
            return [];
        }
        $rows = RecordKeys::only($this->candidates($source, $context)->toBase(), $source, ...$keys)->get();

        return RecordKeys::inOrder($keys, array_values($rows->map(RecordRows::record(...))->all()));
    }

    /** @return SourceSql<Source> */
    private function find(Source $source): SourceSql
    {
        // @phpstan-ignore return.type (the register pairs every source's class with its own query)
        return $this->all[$source::class] ?? throw new \LogicException('No query is known for '.$source::class.'.');
    }
}
