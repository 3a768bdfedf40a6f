<?php

declare(strict_types=1);

namespace App\People;

use App\Wording\SiteText;
use Illuminate\Bus\Queueable;
use Illuminate\Mail\Mailable;
use Illuminate\Mail\Mailables\Content;
use Illuminate\Mail\Mailables\Envelope;
use Wellspring\Core\Context\SiteSettings;

/** Tells a person that their password was changed, so that they notice a change by someone else. */
final class PasswordChanged extends Mailable
{
    use Queueable;

    public function __construct(public readonly string $name)
    {
    }

    public function envelope(): Envelope
    {
        return new Envelope(
            subject: SiteText::plain('mail.changedSubject', ['site' => app(SiteSettings::class)->name]),
        );
    }

    public function content(): Content
    {
        return new Content(text: 'site.account.password-changed');
    }
}
