<?php

declare(strict_types=1);

namespace App\People;

use Illuminate\Bus\Queueable;
use Illuminate\Mail\Mailable;
use Illuminate\Mail\Mailables\Content;
use Illuminate\Mail\Mailables\Envelope;
use Wellspring\Core\Context\SiteSettings;

/** The message with the link under which somebody chooses a password. */
final class AccountLink extends Mailable
{
    use Queueable;

    public function __construct(public readonly string $name, private readonly string $secret)
    {
    }

    public function envelope(): Envelope
    {
        return new Envelope(subject: 'Your link for '.app(SiteSettings::class)->name);
    }

    public function content(): Content
    {
        return new Content(text: 'site.account.message', with: [
            'link' => rtrim(config()->string('app.url'), '/')."/account/welcome/{$this->secret}",
        ]);
    }
}
