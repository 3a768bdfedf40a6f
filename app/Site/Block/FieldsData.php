<?php

declare(strict_types=1);

namespace App\Site\Block;

use App\Catalogue\CatalogueStore;
use App\Catalogue\Records;
use App\Listing\VisibleItems;
use App\Models\Item;
use App\Models\Media;
use App\Site\Address\RecordAddresses;
use App\Site\Output\VideoPlayers;
use App\Site\SitePages;
use Illuminate\Support\Collection;
use Wellspring\Core\Content\Family;
use Wellspring\Core\Content\Field;
use Wellspring\Core\Content\OpeningHours;
use Wellspring\Core\Content\Record;
use Wellspring\Core\Content\Type;
use Wellspring\Core\Context\Context;
use Wellspring\Core\Page\Block;
use Wellspring\Core\Page\Block\Fields;
use Wellspring\Core\Wording\Format;

/**
 * The values of fields for the view. Pictures, videos and long texts stand alone; every other value has its label.
 *
 * @implements BlockData<Fields>
 */
final readonly class FieldsData implements BlockData
{
    public function __construct(
        private CatalogueStore $catalogue,
        private RecordAddresses $addresses,
        private Format $format,
        private VideoPlayers $players,
    ) {
    }

    public static function block(): string
    {
        return Fields::class;
    }

    public function data(Block $block, PageScene $scene): ?array
    {
        $record = $scene->subject?->record;
        if ($record === null) {
            return null;
        }
        $pictures = $videos = $texts = $facts = $linked = [];
        $files = self::files($block->fields, $record);
        foreach ($block->fields as $field) {
            $value = $record->value($field);
            $names = array_values(array_filter((array) $value, is_string(...)));
            if ($value === null) {
                continue;
            }
            match ($field->family()) {
                Family::Picture, Family::Pictures => array_push($pictures, ...array_values(array_filter(
                    array_map(fn (string $name): ?Media => $files->get($name), $names),
                ))),
                Family::Video => $videos[] = $this->players->of($names[0] ?? '', $field->label),
                Family::LongText => $texts[] = $names[0] ?? '',
                Family::Items => $linked[] = $this->linked($field, $names, $scene->context),
                Family::Hours => $facts[] = $this->hours($field, $value, $scene),
                default => $facts[] = $this->fact($field, $value, $names, $record, $files),
            };
        }
        $data = [
            'pictures' => $pictures, 'videos' => $videos, 'texts' => $texts,
            'facts' => array_values(array_filter($facts)), 'linked' => array_values(array_filter($linked)),
        ];

        return array_filter($data) === [] ? null : $data;
    }

    /**
     * Opening hours: one line for each group of days, and whether it is open now. The page expires when that changes.
     *
     * @return array{
     *     label: string, text: string, links: list<array{address: string, text: string}>, lines: list<string>,
     * }
     */
    private function hours(Field $field, mixed $value, PageScene $scene): array
    {
        $calendar = $scene->context->calendar;
        $hours = OpeningHours::at((array) $value, $scene->context->now, $calendar);
        $scene->dependencies->changesAt($hours->changesAt?->getTimestamp());

        return [
            'label' => $field->label, 'text' => $hours->words($this->format, $calendar), 'links' => [],
            'lines' => explode('; ', (string) $field->display($value, $this->format, [])),
        ];
    }

    /**
     * @param  list<string>  $names
     * @param  Collection<string, Media>  $files
     * @return array{label: string, text: string, links: list<array{address: string, text: string}>}|null
     */
    private function fact(Field $field, mixed $value, array $names, Record $record, Collection $files): ?array
    {
        $links = $this->links($field, $names, $files, $record);
        $text = $links === [] ? (string) $field->display($value, $this->format, $record->names($field)) : '';

        return $links === [] && $text === '' ? null : ['label' => $field->label, 'text' => $text, 'links' => $links];
    }

    /**
     * @param  list<string>  $names
     * @param  Collection<string, Media>  $files
     * @return list<array{address: string, text: string}> empty of what leads nowhere
     */
    private function links(Field $field, array $names, Collection $files, Record $record): array
    {
        return match (true) {
            $field->kind->key() === 'link' => [[
                'address' => $names[0],
                'text' => preg_replace('~^(https?://|mailto:|tel:)~i', '', $names[0]) ?? $names[0],
            ]],
            $field->family() === Family::File => array_map(
                fn (string $name): array => [
                    'address' => "/media/{$name}",
                    'text' => $files->get($name)->title ?? $name,
                ],
                $names,
            ),
            $field->family() === Family::Terms => $this->terms($field, $names),
            $field->family() === Family::Person => $this->people($field, $record),
            default => [],
        };
    }

    /** @return list<array{address: string, text: string}> empty where people have no pages */
    private function people(Field $field, Record $record): array
    {
        $address = $this->addresses->ofPerson();
        $links = [];
        foreach ($field->through === null ? $record->reached($field) : [] as $person) {
            $at = $address($person->slug);
            if ($at !== null) {
                $links[] = ['address' => $at, 'text' => $person->title];
            }
        }

        return $links;
    }

    /**
     * @param  list<string>  $slugs
     * @return list<array{address: string, text: string}> empty where terms of the taxonomy have no pages
     */
    private function terms(Field $field, array $slugs): array
    {
        $address = $this->addresses->ofTerm($field->key);
        $links = [];
        foreach ($slugs as $slug) {
            $term = $field->taxonomy?->terms->find($slug);
            $at = $term === null ? null : $address($slug);
            if ($term !== null && $at !== null) {
                $links[] = ['address' => $at, 'text' => $term->name];
            }
        }

        return count($links) === count($slugs) ? $links : [];
    }

    /**
     * The items that a field links to, each with its picture, its title, its first line and its links.
     *
     * @param  list<string>  $names  TYPE/SLUG of each
     * @return array{
     *     label: string,
     *     items: non-empty-list<array{
     *         title: string, address: string, line: string, picture: Media|null,
     *         links: list<array{address: string, text: string}>,
     *     }>,
     * }|null
     */
    private function linked(Field $field, array $names, Context $context): ?array
    {
        $slugs = [];
        foreach ($names as $name) {
            [$key, $slug] = explode('/', $name, 2) + ['', ''];
            $slugs[$key][] = $slug;
        }
        $found = [];
        foreach ($slugs as $key => $some) {
            $type = $this->catalogue->catalogue()->type($key);
            foreach (VisibleItems::of([$key], $context)->with(Item::shown())->whereIn('slug', $some)->get() as $item) {
                $found["{$key}/{$item->slug}"] = $type === null
                    ? null
                    : $this->introduction($type, Records::of($item)->seenThrough($context->visibility()));
            }
        }
        $items = array_values(array_filter(array_map(fn (string $name): ?array => $found[$name] ?? null, $names)));

        return $items === [] ? null : ['label' => $field->label, 'items' => $items];
    }

    /**
     * @return array{
     *     title: string, address: string, line: string, picture: Media|null,
     *     links: list<array{address: string, text: string}>,
     * }
     */
    private function introduction(Type $type, Record $record): array
    {
        $files = self::files(array_values($type->fields), $record);
        $picture = null;
        $line = '';
        $links = [];
        foreach ($type->fields as $field) {
            $value = $record->value($field);
            if (is_string($value)) {
                $picture ??= $field->family() === Family::Picture ? $files->get($value) : null;
                $line = $line === '' && $field->kind->key() === 'text' ? $value : $line;
                array_push($links, ...$field->kind->key() === 'link'
                    ? $this->links($field, [$value], $files, $record)
                    : []);
            }
        }

        return [
            'title' => $record->title, 'address' => SitePages::itemAddress($type, $record->slug), 'line' => $line,
            'picture' => $picture, 'links' => $links,
        ];
    }

    /**
     * @param  list<Field>  $fields
     * @return Collection<string, Media> by name
     */
    private static function files(array $fields, Record $record): Collection
    {
        $names = [];
        foreach ($fields as $field) {
            if ($field->family()->isMedia()) {
                array_push($names, ...array_values(array_filter((array) $record->value($field), is_string(...))));
            }
        }

        return $names === [] ? new Collection : Media::query()->whereIn('name', $names)->get()->keyBy('name');
    }
}
