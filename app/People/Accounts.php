<?php

declare(strict_types=1);

namespace App\People;

use App\Models\User;
use Illuminate\Support\Facades\Mail;
use Wellspring\Core\Context\SiteSettings;
use Wellspring\Core\Problem\Refused;

/**
 * What people do about their own accounts. Whoever asks is told nothing of whether an account exists: what there is to
 * say is sent to its address.
 */
final readonly class Accounts
{
    public function __construct(private People $people, private SiteSettings $site)
    {
    }

    /** Whether members may sign up by themselves. */
    public function mayBeMade(): bool
    {
        return $this->site->mayVisitorsSignUp;
    }

    /** Makes a member's account that is closed until its link is opened; whoever has one already is sent a new link. */
    public function signUp(string $name, string $email): void
    {
        try {
            [$user, $secret] = $this->people->invite($name, $email, 'member', []);
            $user->update(['active' => false]);
            $this->send($user, $secret);
        } catch (Refused) {
            $this->sendLink($email);
        }
    }

    /** Sends a link under which a new password is chosen, where there is an account that is not closed. */
    public function sendLink(string $email): void
    {
        $user = User::query()->where('email', mb_strtolower(trim($email)))->first();
        if ($user !== null && ($user->active || $user->invitation !== null)) {
            $this->send($user, $this->people->newLink($user));
        }
    }

    private function send(User $user, string $secret): void
    {
        Mail::to($user->email)->queue(new AccountLink($user->name, $secret));
    }
}
