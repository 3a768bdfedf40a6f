<?php

declare(strict_types=1);

namespace App\Models;

use App\Database\FreeName;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\Eloquent\Relations\BelongsToMany;
use Illuminate\Database\Eloquent\Relations\HasMany;
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
 * @property string $session_key changes where all sessions are to end
 * @property CarbonImmutable|null $signed_in_at
 * @property CarbonImmutable $created_at
 * @property int $revision of what the site says of the person
 * @property Collection<int, Group> $groups
 */
final class User extends Authenticatable
{
    /**
     * Session key: the account's key when the session began. When the account gets another key, the session ends.
     */
    public const SESSION_KEY = 'session_key';

    /** Session key: the timestamp at which the session began. */
    public const SESSION_BEGUN = 'session_begun';

    public const ROLES = ['manager', 'author', 'member'];

    protected $fillable = [
        'name',
        'email',
        'password',
        'role',
        'active',
        'signed_in_at',
        'revision',
    ];

    protected $hidden = ['password', 'remember_token', 'session_key'];

    protected $attributes = [
        'role' => 'member', 'active' => true, 'slug' => null, 'session_key' => '', 'revision' => 1,
    ];

    protected $dateFormat = 'Y-m-d H:i:sO';

    /**
     * People whose name or e-mail address contains the words, in lower case.
     *
     * @param  Builder<self>  $query
     */
    public function scopeMentioning(Builder $query, string $words): void
    {
        $query->whereRaw('(strpos(lower(name), ?) > 0 or strpos(email, ?) > 0)', [$words, $words]);
    }

    /** @return Builder<self> in the order of their names, as the site’s language has it */
    public static function byName(): Builder
    {
        return self::query()->orderByRaw('name collate wellspring_text')->orderBy('id');
    }

    protected function casts(): array
    {
        return [
            'password' => 'hashed',
            'active' => 'bool',
            'signed_in_at' => 'immutable_datetime',
            'created_at' => 'immutable_datetime',
        ];
    }

    protected static function booted(): void
    {
        self::saving(function (self $user): void {
            if ($user->isDirty('name')) {
                $user->folded = Fold::of($user->name);
            }
            if (! $user->exists && $user->slug === null) {
                $user->slug = FreeName::unused(self::query(), 'slug', self::slugs($user->name));
            }
        });
    }

    /** @return bool false where somebody else has the e-mail address */
    public function insertUnderFreeSlug(): bool
    {
        $this->folded = Fold::of($this->name);
        for ($try = 0; $try < 20; $try++) {
            $this->slug = FreeName::unused(self::query(), 'slug', self::slugs($this->name));
            if (FreeName::inserted($this, [])) {
                return true;
            }
            if (self::query()->where('email', $this->email)->exists()) {
                return false;
            }
        }
        throw new \RuntimeException("No free slug was found for {$this->name}.");
    }

    /** @return \Closure(int): string */
    private static function slugs(string $name): \Closure
    {
        $base = Slug::from($name);

        return fn (int $n): string => $n === 1 ? $base : "{$base}-{$n}";
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

    /** @return HasMany<Item, $this> those that they are the author of */
    public function items(): HasMany
    {
        return $this->hasMany(Item::class, 'author_id');
    }
}
