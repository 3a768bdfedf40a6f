<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/** Links under which people choose a password, several for one person; and the mail of a site without a mail server. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('account_links', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('user_id')->constrained()->cascadeOnDelete();
            $table->text('secret')->unique();
            $table->text('kind');
            $table->timestampTz('until', 0);
        });
        DB::statement(<<<'SQL'
            insert into account_links (user_id, secret, kind, until)
            select id, invitation, case when password is null then 'invitation' else 'password' end, least(
                invited_until, case when password is null then invited_until else now() + interval '1 hour' end
            ) from users where invitation is not null and invited_until is not null
            SQL);
        Schema::table('users', fn (Blueprint $table) => $table->dropColumn(['invitation', 'invited_until']));
        Schema::create('outbox_letters', function (Blueprint $table): void {
            $table->id();
            $table->text('recipient');
            $table->text('subject');
            // Encrypted with the application's key: letters hold links that open accounts.
            $table->text('message');
            $table->timestampTz('sent_at', 0)->index();
        });
    }

    public function down(): void
    {
        Schema::dropIfExists('outbox_letters');
        Schema::table('users', function (Blueprint $table): void {
            $table->text('invitation')->nullable()->unique();
            $table->timestampTz('invited_until', 0)->nullable();
        });
        DB::statement(<<<'SQL'
            update users set invitation = link.secret, invited_until = link.until from (
                select distinct on (user_id) * from account_links order by user_id, id desc
            ) as link where link.user_id = users.id
            SQL);
        Schema::dropIfExists('account_links');
    }
};
