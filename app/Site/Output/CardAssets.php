<?php

declare(strict_types=1);

namespace App\Site\Output;

use App\Models\Media;
use App\Site\Address\RecordAddresses;
use Wellspring\Core\Card\Part\Video;
use Wellspring\Core\Card\RenderedPart;

/**
 * The pictures and videos on cards, and the targets of their links.
 *
 * @phpstan-import-type PlayerShape from VideoPlayers
 */
final readonly class CardAssets
{
    /**
     * @param  array<string, Media>  $pictures  by name
     * @param  array<string, string>  $termAddresses  by `taxonomy/slug`; terms without a page are missing
     * @param  array<string, string>  $recordAddresses  by `type/slug`; records without a page are missing
     * @param  array<string, PlayerShape>  $players  by file or address, and shape
     * @param  array<string, string>  $frames  addresses of the frames that play videos of other sites, by video address
     */
    private function __construct(
        public array $pictures,
        private array $termAddresses,
        private array $recordAddresses = [],
        private array $players = [],
        private array $frames = [],
    ) {
    }

    public static function none(): self
    {
        return new self([], []);
    }

    /** @param  list<RenderedPart>  $parts  of all cards */
    public static function of(array $parts, RecordAddresses $addresses, VideoPlayers $videos): self
    {
        $players = $frames = [];
        $names = $terms = $records = [];
        foreach ($parts as $part) {
            if ($part->isPicture()) {
                $names[] = $part->text;
            }
            if ($part->kind instanceof Video && $part->value !== null) {
                $players[self::playerKey($part)] = $videos->of(
                    $part->text,
                    $part->part->field->label ?? '',
                    $part->part->option('frame'),
                    $part->part->flag('loop'),
                );
            }
            foreach ($part->value->pieces ?? [] as $piece) {
                if ($piece->role === 'video') {
                    $names[] = $piece->text;
                    $frames[$piece->text] = $videos->frame($piece->text);
                }
                if ($piece->record !== null) {
                    $records[implode('/', $piece->record)] = $piece->record;
                }
                if ($piece->term !== null) {
                    $terms[$piece->term[0]][$piece->term[1]] = true;
                }
            }
        }
        $found = [];
        foreach ($terms as $taxonomy => $slugs) {
            $address = $addresses->ofTerm($taxonomy);
            foreach (array_keys($slugs) as $slug) {
                $found["{$taxonomy}/{$slug}"] = $address((string) $slug);
            }
        }

        return new self(
            $names === [] ? [] : Media::query()->whereIn('name', array_unique($names))->get()->keyBy('name')->all(),
            array_filter($found, is_string(...)),
            array_filter(array_map($addresses->ofRecord(...), $records), is_string(...)),
            $players,
            array_filter($frames),
        );
    }

    /** @param  array{string, string}|null  $record  type and slug */
    public function recordAddress(?array $record): ?string
    {
        return $record === null ? null : $this->recordAddresses[implode('/', $record)] ?? null;
    }

    public function picture(RenderedPart $part): ?Media
    {
        return $part->isPicture() ? $this->pictures[$part->text] ?? null : null;
    }

    /** The address of the frame that plays the picture's video; null for an uploaded file. */
    public function frame(RenderedPart $part): ?string
    {
        foreach ($part->value->pieces ?? [] as $piece) {
            if ($piece->role === 'video') {
                return $this->frames[$piece->text] ?? null;
            }
        }

        return null;
    }

    /** The address of the picture's video. */
    public function video(RenderedPart $part): ?string
    {
        foreach ($part->value->pieces ?? [] as $piece) {
            if ($piece->role === 'video') {
                return ($this->pictures[$piece->text] ?? null)?->url()
                    ?? (str_starts_with($piece->text, 'https://') ? $piece->text : null);
            }
        }

        return null;
    }

    /** @return PlayerShape how the video of a part plays */
    public function player(RenderedPart $part): array
    {
        return $this->players[self::playerKey($part)] ?? throw new \LogicException('It is no video of these cards.');
    }

    private static function playerKey(RenderedPart $part): string
    {
        return ($part->value->pieces[0]->text ?? '').' '.$part->part->option('frame');
    }

    /** @param  array{string, string}|null  $term  taxonomy and slug */
    public function termAddress(?array $term): ?string
    {
        return $term === null ? null : $this->termAddresses[implode('/', $term)] ?? null;
    }
}
