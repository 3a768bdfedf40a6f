<?php

declare(strict_types=1);

namespace App\People;

use App\Models\User;
use Illuminate\Support\Facades\Mail;
use Wellspring\Core\Context\SiteSettings;
use Wellspring\Core\Problem\Refused;

/**
 * Sign-up and links for new passwords. The answer never reveals whether an account exists; only the mail to its address
 * does. Jobs\SendAccountLink calls this in the queue.
 */
final readonly class Accounts
{
    public function __construct(private People $people, private AccountLinks $links, private SiteSettings $site)
    {
    }

    /** True if visitors may sign up as members. */
    public function mayBeMade(): bool
    {
        return $this->site->mayVisitorsSignUp;
    }

    /** Creates a member's account that is closed until its link is opened; a person with an account gets a new link. */
    public function signUp(string $name, string $email): void
    {
        try {
            [$user, $secret] = $this->people->invite($name, $email, 'member', []);
            $user->update(['active' => false]);
            Mail::to($user->email)->send(AccountLink::invitation($user->name, $secret));
        } catch (Refused) {
            $this->sendLink($email);
        }
    }

    /** Sends a link for a new password if there is an account that is open or waits for its first password. */
    public function sendLink(string $email): void
    {
        $user = User::query()->where('email', mb_strtolower(trim($email)))->first();
        if ($user !== null && ($user->active || $this->links->isInvited($user))) {
            Mail::to($user->email)->send(AccountLink::password($user->name, $this->links->forPassword($user)));
        }
    }
}
