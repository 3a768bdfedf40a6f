<?php

declare(strict_types=1);

namespace App\Jobs;

use App\People\Accounts;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Bus\Dispatchable;
use Illuminate\Foundation\Queue\Queueable;

/**
 * Sends the requested link in the queue: neither the answer nor its time reveals whether there is an account.
 */
final class SendAccountLink implements ShouldQueue
{
    use Dispatchable;
    use Queueable;

    public int $tries = 3;

    /** @var list<int> seconds before it is tried again */
    public array $backoff = [30, 300];

    /** @param  string|null  $name  of a person who signs up; null: a link for a new password */
    public function __construct(private readonly string $email, private readonly ?string $name = null)
    {
    }

    public function handle(Accounts $accounts): void
    {
        $this->name === null ? $accounts->sendLink($this->email) : $accounts->signUp($this->name, $this->email);
    }
}
