<?php

declare(strict_types=1);

namespace App\Content;

use App\Models\User;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use Wellspring\Core\Time\Iso8601;

/**
 * The unsaved drafts of the forms of types, taxonomies and terms. Each draft belongs to one person, and nobody else
 * sees it. A form is named after what it changes, such as `type:plant` or `term:12`.
 */
final readonly class FormDrafts
{
    /** @return array{values: array<string, mixed>, revision: int|null, keptAt: string}|null */
    public function of(User $who, string $form): ?array
    {
        $row = $this->row($who, $form)->first();
        if ($row === null) {
            return null;
        }
        $values = json_decode(is_string($row->values) ? $row->values : '{}', true);

        return [
            'values' => is_array($values) ? $values : [],
            'revision' => $row->revision === null ? null : (int) $row->revision,
            'keptAt' => Iso8601::format(new \DateTimeImmutable(is_string($row->kept_at) ? $row->kept_at : 'now')),
        ];
    }

    /**
     * @param  int|null  $revision  the revision that the changes started from
     * @param  array<string, mixed>  $values  as typed, valid or not
     * @return string when it was kept
     */
    public function keep(User $who, string $form, ?int $revision, array $values): string
    {
        $now = Iso8601::format(now());
        DB::table('form_drafts')->upsert([
            'user_id' => $who->id,
            'form' => $form,
            'revision' => $revision,
            'values' => json_encode((object) $values, JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE),
            'kept_at' => $now,
        ], ['user_id', 'form'], ['revision', 'values', 'kept_at']);

        return $now;
    }

    public function drop(User $who, string $form): void
    {
        $this->row($who, $form)->delete();
    }

    private function row(User $who, string $form): Builder
    {
        return DB::table('form_drafts')->where('user_id', $who->id)->where('form', $form);
    }
}
