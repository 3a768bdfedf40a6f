<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;

/**
 * An uploaded picture.
 *
 * @property int $id
 * @property string $name
 * @property string $mime
 * @property int $width px
 * @property int $height px
 * @property int $bytes
 * @property string $alt
 */
final class Media extends Model
{
    protected $fillable = ['name', 'mime', 'width', 'height', 'bytes', 'alt'];

    public function url(): string
    {
        return '/media/'.$this->name;
    }
}
