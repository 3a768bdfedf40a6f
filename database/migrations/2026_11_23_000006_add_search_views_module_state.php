<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/** Words for search, views by day, what terms and people need to be listed, and what a module's life leaves behind. */
return new class extends Migration
{
    /** The languages whose forms of words PostgreSQL knows, by the locale's. */
    private const LANGUAGES = [
        'ar' => 'arabic',
        'da' => 'danish',
        'nl' => 'dutch',
        'en' => 'english',
        'fi' => 'finnish',
        'fr' => 'french',
        'de' => 'german',
        'el' => 'greek',
        'hu' => 'hungarian',
        'id' => 'indonesian',
        'ga' => 'irish',
        'it' => 'italian',
        'lt' => 'lithuanian',
        'nb' => 'norwegian',
        'no' => 'norwegian',
        'pt' => 'portuguese',
        'ro' => 'romanian',
        'ru' => 'russian',
        'es' => 'spanish',
        'sv' => 'swedish',
        'tr' => 'turkish',
    ];

    public function up(): void
    {
        $language = self::LANGUAGES[Locale::getPrimaryLanguage(config()->string('site.locale'))] ?? null;
        DB::statement(
            'create text search dictionary wellspring_words (template = '.(
                $language === null ? 'simple' : "snowball, language = '{$language}'"
            ).')',
        );
        // Every word counts, common ones too: whoever looks for “The Dell” finds it.
        DB::unprepared('create text search configuration wellspring (copy = simple);
            alter text search configuration wellspring alter mapping for asciiword, word, numword,
                asciihword, hword, numhword, hword_part, hword_asciipart, hword_numpart with wellspring_words');
        DB::unprepared(<<<'SQL'
            -- What core found to be the words of the title (A), of short texts (B) and of long ones (D), each by field,
            -- folded.
            alter table items add column words jsonb not null default '{}';
            alter table items add column search tsvector generated always as (
                setweight(to_tsvector('wellspring', coalesce(words->'A', '{}')), 'A')
                || setweight(to_tsvector('wellspring', coalesce(words->'B', '{}')), 'B')
                || setweight(to_tsvector('wellspring', coalesce(words->'D', '{}')), 'D')) stored;
            create index items_search on items using gin (search);
            SQL);
        Schema::create('item_views', function (Blueprint $table): void {
            $table->foreignId('item_id')->constrained('items')->cascadeOnDelete();
            $table->date('day');
            $table->integer('views')->default(0);
            $table->primary(['item_id', 'day']);
        });
        DB::statement('create index item_views_of_days on item_views (day, item_id) include (views)');
        Schema::table('terms', function (Blueprint $table): void {
            $table->jsonb('folded')->default('{}');
            $table->text('words')->default('');
        });
        DB::statement("create index terms_search on terms using gin (to_tsvector('wellspring', words))");
        Schema::table('users', function (Blueprint $table): void {
            $table->text('slug')->nullable()->unique();
            $table->text('folded')->default('');
        });
        Schema::table('modules', function (Blueprint $table): void {
            $table->boolean('off')->default(false);
            $table->foreignId('user_id')->nullable()->constrained('users')->nullOnDelete();
            $table->timestampTz('removed_at', 0)->nullable();
        });
        Schema::table('module_versions', fn (Blueprint $table) => $table->text('note')->default(''));
        $this->fill();
    }

    public function down(): void
    {
        Schema::table('module_versions', fn (Blueprint $table) => $table->dropColumn('note'));
        Schema::table('modules', fn (Blueprint $table) => $table->dropColumn(['off', 'user_id', 'removed_at']));
        Schema::table('users', fn (Blueprint $table) => $table->dropColumn(['slug', 'folded']));
        Schema::table('terms', fn (Blueprint $table) => $table->dropColumn(['folded', 'words']));
        Schema::dropIfExists('item_views');
        Schema::table('items', fn (Blueprint $table) => $table->dropColumn(['search', 'words']));
        DB::unprepared('drop text search configuration wellspring; drop text search dictionary wellspring_words');
    }

    /**
     * What was stored before, in the new columns. The words of items come with their next save, or `wellspring:words`.
     */
    private function fill(): void
    {
        $taken = [];
        foreach (DB::table('users')->orderBy('id')->get(['id', 'name']) as $user) {
            $base = trim(
                (string) preg_replace('/[^a-z0-9]+/', '-', $this->folded((string) $user->name)),
                '-',
            ) ?: 'item';
            for ($slug = $base, $n = 2; isset($taken[$slug]); $n++) {
                $slug = "{$base}-{$n}";
            }
            $taken[$slug] = true;
            DB::table('users')
                ->where('id', $user->id)
                ->update(['slug' => $slug, 'folded' => $this->folded((string) $user->name)]);
        }
        foreach (DB::table('terms')->orderBy('id')->get(['id', 'slug', 'name', 'description']) as $term) {
            DB::table('terms')
                ->where('id', $term->id)
                ->update(['words' => $this->words((string) $term->name), 'folded' => json_encode(array_filter([
                    'title' => $this->folded((string) $term->name),
                    'slug' => (string) $term->slug,
                    'text' => $this->folded(strip_tags((string) $term->description)),
                ], fn (string $text): bool => $text !== ''), JSON_THROW_ON_ERROR)]);
        }
    }

    /** Without case and accents, as the application compared texts when this was written. */
    private function folded(string $text): string
    {
        $transform = Transliterator::create('NFKD; [:Nonspacing Mark:] Remove; Latin-ASCII; Lower; NFC');

        return (string) $transform?->transliterate($text);
    }

    private function words(string $text): string
    {
        preg_match_all('/[\p{L}\p{M}]+|\p{N}+/u', $this->folded($text), $found);

        return implode(' ', $found[0]);
    }
};
