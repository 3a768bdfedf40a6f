Dear {{ $name }},

choose your password for {{ $site->name }} here:

{{ $link }}

The link holds for {{ App\People\People::INVITATION_DAYS }} days and can be used once. If you did not
ask for it, nothing has to be done.
