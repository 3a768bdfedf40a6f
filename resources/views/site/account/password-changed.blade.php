{!! App\Wording\SiteText::plain('mail.changedText', [
    'name' => $name, 'site' => $site->name, 'link' => rtrim(config('app.url'), '/').'/account/password',
]) !!}
