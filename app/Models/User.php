<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\Eloquent\Relations\BelongsToMany;
use Illuminate\Foundation\Auth\User as Authenticatable;
use Wellspring\Core\Text\Fold;
use Wellspring\Core\Text\Slug;

/**
 * One of the site's people: a manager, an author, or a member.
 *
 * @property int $id
 * @property string $name
 * @property string $email in small letters
 * @property string|null $slug
 * @property string $folded the name in the form in which it is compared
 * @property 'manager'|'author'|'member' $role
 * @property bool $active
 * @property string|null $password hashed; null until the invitation is taken up
 * @property string|null $invitation hash of the invitation's secret
 * @property CarbonImmutable|null $invited_until
 * @property CarbonImmutable|null $signed_in_at
 * @property CarbonImmutable $created_at
 * @property Collection<int, Group> $groups
 */
final class User extends Authenticatable
{
    public const ROLES = ['manager', 'author', 'member'];

    protected $fillable = ['name', 'email', 'password', 'role', 'active', 'invitation', 'invited_until', 'signed_in_at'];

    protected $hidden = ['password', 'remember_token', 'invitation'];

    protected $attributes = ['role' => 'manager', 'active' => true, 'slug' => null];

    protected $dateFormat = 'Y-m-d H:i:sO';

    protected function casts(): array
    {
        return ['password' => 'hashed', 'active' => 'bool', 'invited_until' => 'immutable_datetime', 'signed_in_at' => 'immutable_datetime', 'created_at' => 'immutable_datetime'];
    }

    protected static function booted(): void
    {
        self::saving(function (self $user): void {
            if ($user->isDirty('name')) {
                $user->folded = Fold::of($user->name);
            }
            if (! $user->exists && $user->slug === null) {
                $base = Slug::from($user->name);
                for ($slug = $base, $n = 2; self::query()->where('slug', $slug)->exists(); $n++) {
                    $slug = "{$base}-{$n}";
                }
                $user->slug = $slug;
            }
        });
    }

    /** @return BelongsToMany<Group, $this> */
    public function groups(): BelongsToMany
    {
        return $this->belongsToMany(Group::class);
    }

    public function isManager(): bool
    {
        return $this->role === 'manager';
    }
}
