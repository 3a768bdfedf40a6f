<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/**
 * A site can use a language for which PostgreSQL has no stemmer, such as Ukrainian or Japanese. Before, the function
 * asked for a stemmer named NULL and failed.
 */
return new class extends Migration
{
    private const DICTIONARY = "format('snowball, language = %L', stemmer)";

    public function up(): void
    {
        $this->define('case when stemmer is null then \'simple\' else '.self::DICTIONARY.' end');
    }

    public function down(): void
    {
        $this->define('coalesce('.self::DICTIONARY.', \'simple\')');
    }

    /** @param  string  $template  of the dictionary, as an SQL expression over the argument `stemmer` */
    private function define(string $template): void
    {
        DB::unprepared(<<<SQL
            create or replace function set_text_search(stemmer text) returns void language plpgsql as \$\$
            begin
                alter text search dictionary wellspring_words rename to wellspring_words_before;
                execute 'create text search dictionary wellspring_words (template = ' || {$template} || ')';
                alter text search configuration wellspring
                    alter mapping replace wellspring_words_before with wellspring_words;
                drop text search dictionary wellspring_words_before;
                update items set words = words;
                reindex index terms_search;
            end \$\$;
            SQL);
    }
};
