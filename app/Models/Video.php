<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;

/**
 * A video of another site, as the site described it.
 *
 * @property int $id
 * @property string $address where it is watched
 * @property string|null $frame the address of its frame; null while it is not known
 * @property int $width
 * @property int $height
 * @property string $title
 * @property string|null $picture name of the stored thumbnail
 * @property int $tries how often the site was asked
 * @property string|null $fault why the last try failed
 */
final class Video extends Model
{
    public $timestamps = false;

    protected $guarded = [];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['width' => 'integer', 'height' => 'integer', 'tries' => 'integer'];
    }
}
