<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Model;

/**
 * An uploaded picture, video or other file.
 *
 * @property int $id
 * @property string $name as it is kept; a picture’s ends in .webp
 * @property 'picture'|'video'|'file' $kind
 * @property string $title what it was called when it came
 * @property string $mime a picture’s is that of the form beside WebP
 * @property int|null $width px
 * @property int|null $height px
 * @property int $bytes
 * @property string $alt
 * @property float $focus_x what of it must stay in sight when it is cut, 0 at the left to 1 at the right
 * @property float $focus_y likewise, 0 at the top
 * @property list<int> $sizes widths that it was made in, px, its own last; none for a picture of before there were
 *   any, which is WebP alone
 * @property int|null $user_id
 * @property int $revision of its description
 * @property CarbonImmutable $created_at
 *
 * @phpstan-type MediaShape array{
 *     id: int, name: string, kind: 'picture'|'video'|'file', title: string, url: string, small: string,
 *     width: int|null, height: int|null, bytes: int, alt: string, focus: array{float, float},
 *     revision: int,
 * }
 */
final class Media extends Model
{
    protected $fillable = [
        'name',
        'kind',
        'title',
        'mime',
        'width',
        'height',
        'bytes',
        'alt',
        'focus_x',
        'focus_y',
        'sizes',
        'user_id',
        'revision',
    ];

    protected $attributes = ['focus_x' => 0.5, 'focus_y' => 0.5, 'revision' => 1];

    protected $dateFormat = 'Y-m-d H:i:sO';

    /**
     * Files whose name, title or alternative text contains the words, in lower case.
     *
     * @param  Builder<self>  $query
     */
    public function scopeMentioning(Builder $query, string $words): void
    {
        $query->whereRaw(
            '(strpos(name, ?) > 0 or strpos(lower(title), ?) > 0 or strpos(lower(alt), ?) > 0)',
            [$words, $words, $words],
        );
    }

    protected function casts(): array
    {
        return ['sizes' => 'array', 'focus_x' => 'float', 'focus_y' => 'float', 'created_at' => 'immutable_datetime'];
    }

    public function url(): string
    {
        return '/media/'.$this->name;
    }

    /** The address for browsers without WebP support. */
    public function plainUrl(): string
    {
        return '/media/'.$this->plainName();
    }

    /** A small version for tables. */
    public function smallUrl(): string
    {
        return count($this->sizes) > 1 ? "/media/w{$this->sizes[0]}/{$this->name}" : $this->url();
    }

    /** The `srcset` of an <img> or <source>. */
    public function srcset(bool $webp): string
    {
        // Reads each column once, because a cast column is decoded at every access.
        [$name, $own, $sizes] = [$webp ? $this->name : $this->plainName(), (int) $this->width, $this->sizes];

        return implode(', ', array_map(
            fn (int $width): string => '/media/'.($width === $own ? '' : "w{$width}/")."{$name} {$width}w",
            $sizes === [] ? [$own] : $sizes,
        ));
    }

    /**
     * @return list<string> classes of resources/css/generate.mjs that keep the focus point visible when the picture is
     *   cropped; empty for its middle
     */
    public function focusClasses(): array
    {
        $at = fn (string $axis, float $share): string => "focus-{$axis}-".(int) round($share * 100);

        return $this->focus_x === 0.5 && $this->focus_y === 0.5
            ? []
            : [$at('x', $this->focus_x), $at('y', $this->focus_y)];
    }

    /** @return MediaShape what the manage screens are told of it */
    public function about(): array
    {
        return [
            'id' => $this->id,
            'name' => $this->name,
            'kind' => $this->kind,
            'title' => $this->title,
            'url' => $this->url(),
            'small' => $this->smallUrl(),
            'width' => $this->width,
            'height' => $this->height,
            'bytes' => $this->bytes,
            'alt' => $this->alt,
            'focus' => [$this->focus_x, $this->focus_y],
            'revision' => $this->revision,
        ];
    }

    /** @return list<string> all that is kept of it */
    public function files(): array
    {
        $files = [$this->name];
        foreach ($this->kind === 'picture' ? $this->sizes : [] as $width) {
            $folder = $width === $this->width ? '' : "w{$width}/";
            array_push($files, $folder.$this->name, $folder.$this->plainName());
        }

        return array_values(array_unique($files));
    }

    private function plainName(): string
    {
        return $this->kind === 'picture' && $this->sizes !== []
            ? substr($this->name, 0, -4).($this->mime === 'image/png' ? 'png' : 'jpg')
            : $this->name;
    }
}
