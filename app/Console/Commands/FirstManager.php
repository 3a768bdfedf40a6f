<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Console\ReportsProblems;
use App\Models\User;
use App\People\AccountLinks;
use App\People\People;
use Illuminate\Console\Command;
use Wellspring\Core\Problem\Refused;

/** Creates a manager on a machine without any account to invite them. */
final class FirstManager extends Command
{
    use ReportsProblems;

    protected $signature = 'wellspring:manager
        {email : the e-mail address to sign in with}
        {--name= : as visitors and colleagues read it}';

    protected $description = 'Make a manager, and print the link under which they choose their password';

    public function handle(People $people): int
    {
        $email = mb_strtolower(trim($this->given('email')));
        if (filter_var($email, FILTER_VALIDATE_EMAIL) === false) {
            $this->error("email: expected an e-mail address, found “{$email}”.");

            return self::FAILURE;
        }
        $name = is_string($this->option('name')) && trim($this->option('name')) !== ''
            ? $this->option('name')
            : explode('@', $email)[0];
        $known = User::query()->where('email', $email)->first();
        try {
            $secret = $known === null
                ? $people->invite($name, $email, 'manager', [])[1]
                : $people->newLink(
                    $people->update(
                        $known,
                        $known->name,
                        'manager',
                        true,
                        array_values(array_map(intval(...), $known->groups()->pluck('groups.id')->all())),
                    ),
                );
        } catch (Refused $refused) {
            $this->tellProblems($refused->problems);

            return self::FAILURE;
        }
        $this->line(AccountLinks::address($secret));

        return self::SUCCESS;
    }
}
