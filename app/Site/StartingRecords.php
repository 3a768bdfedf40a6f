<?php

declare(strict_types=1);

namespace App\Site;

use App\Listing\Cache\CachedListing;
use App\Listing\Listing;
use App\Listing\Sources;
use App\Models\Media;
use Wellspring\Core\Content\Family;
use Wellspring\Core\Content\Field;
use Wellspring\Core\Context\Context;
use Wellspring\Core\Module\Module;
use Wellspring\Core\Module\ModuleReader;

/** Counts the records that each suggested new module would list now, and finds the first of them. */
final readonly class StartingRecords
{
    public function __construct(
        private Listing $listing,
        private CachedListing $cached,
        private Sources $sources,
        private ExampleSubject $example,
    ) {
    }

    /**
     * @param  array<string, array<string, mixed>>  $definitions  by the suggestion's key, without format, key and name
     * @return array<string, array{records: int, first: string|null, picture: string|null}> by the suggestion's key: the
     *   number, the title of the first record, and the address of its small picture
     */
    public function of(array $definitions, ModuleReader $reader, Context $now): array
    {
        $found = [];
        foreach ($definitions as $key => $definition) {
            $module = $reader->read([
                'format' => ModuleReader::FORMAT, 'key' => 'start', 'name' => 'Start',
            ] + $definition);
            [$context] = $this->example->in($module, $now);
            $records = $this->cached->totals([$module], $context)[0];
            [$title, $picture] = $records === 0 ? [null, null] : $this->first($module, $context);
            $found[$key] = ['records' => $records, 'first' => $title, 'picture' => $picture];
        }
        $names = array_filter(array_column($found, 'picture'));
        $pictures = Media::query()->whereIn('name', $names)->get()->keyBy('name');

        return array_map(fn (array $one): array => [
            'picture' => $one['picture'] === null ? null : $pictures->get($one['picture'])?->smallUrl(),
        ] + $one, $found);
    }

    /** @return array{string|null, string|null} the first record's title, and the name of its picture */
    private function first(Module $module, Context $context): array
    {
        $fields = array_filter(
            $module->source->type()->reachable,
            fn (Field $field): bool => $field->family()->isPicture(),
        );
        $keys = $this->listing->some($module, $context, 0, 1);
        $record = $this->sources->records($module->source, $keys, $fields, $context)[0] ?? null;
        if ($record === null) {
            return [null, null];
        }
        foreach ($fields as $field) {
            $value = $record->value($field);
            $name = $field->family() === Family::Pictures && is_array($value) ? $value[0] ?? null : $value;
            if (is_string($name)) {
                return [$record->title, $name];
            }
        }

        return [$record->title, null];
    }
}
