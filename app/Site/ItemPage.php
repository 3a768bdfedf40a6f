<?php

declare(strict_types=1);

namespace App\Site;

use App\Catalogue\Records;
use App\Models\Item;
use App\Models\Media;
use Illuminate\Support\Collection;
use Wellspring\Core\Content\Catalogue;
use Wellspring\Core\Content\Family;
use Wellspring\Core\Content\Field;
use Wellspring\Core\Content\Record;
use Wellspring\Core\Content\Type;
use Wellspring\Core\Context\Context;
use Wellspring\Core\Wording\Format;

/** What an item's own page shows: its pictures, its films, and every other value with its label. */
final readonly class ItemPage
{
    /** @var list<Media> */
    public array $pictures;

    /** @var list<array{label: string, address: string, own: bool}> films: uploaded ones are shown, others linked to */
    public array $videos;

    /** @var list<array{label: string, text: string, links: list<array{address: string, text: string}>}> */
    public array $facts;

    public function __construct(
        private Catalogue $catalogue,
        public Type $type,
        public Item $item,
        Format $format,
        Context $context,
    ) {
        $record = Records::of($item)->seenThrough($context->visibility());
        $pictures = $videos = $facts = [];
        $files = $this->media($record);
        foreach ([...$type->fields, ...array_diff_key($type->reachable, $type->fields, Type::itemFields())] as $field) {
            $value = $record->value($field);
            $names = array_values(array_filter((array) $value, is_string(...)));
            if ($value === null) {
                continue;
            }
            if ($field->family() === Family::Picture || $field->family() === Family::Pictures) {
                array_push(
                    $pictures,
                    ...array_values(array_filter(array_map(fn (string $name): ?Media => $files->get($name), $names))),
                );
            } elseif ($field->family() === Family::Video) {
                $own = ! str_contains($names[0], '://');
                $videos[] = [
                    'label' => $field->label,
                    'address' => $own ? '/media/'.$names[0] : $names[0],
                    'own' => $own,
                ];
            } else {
                $links = $this->links($field, $names, $record, $files);
                $text = $links === [] ? (string) $field->display($value, $format, $record->names($field)) : '';
                if ($links !== [] || $text !== '') {
                    $facts[] = ['label' => $field->label, 'text' => $text, 'links' => $links];
                }
            }
        }
        [$this->pictures, $this->videos, $this->facts] = [$pictures, $videos, $facts];
    }

    /**
     * @param  list<string>  $names
     * @param  Collection<string, Media>  $files
     * @return list<array{address: string, text: string}>
     */
    private function links(Field $field, array $names, Record $record, Collection $files): array
    {
        $shown = $record->names($field);

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
            $field->family() === Family::Items => array_values(array_map(
                fn (string $name): array => ['address' => $this->address($name), 'text' => $shown[$name]],
                array_filter($names, fn (string $name): bool => isset($shown[$name])),
            )),
            default => [],
        };
    }

    private function address(string $name): string
    {
        [$key, $slug] = explode('/', $name, 2) + ['', ''];
        $type = $this->catalogue->type($key);

        return $type === null ? '' : SitePages::itemAddress($type, $slug);
    }

    /** @return Collection<string, Media> by name */
    private function media(Record $record): Collection
    {
        $names = [];
        foreach ($this->type->fields as $field) {
            if ($field->family()->isMedia()) {
                array_push($names, ...array_values(array_filter((array) $record->value($field), is_string(...))));
            }
        }

        return $names === [] ? new Collection : Media::query()->whereIn('name', $names)->get()->keyBy('name');
    }
}
