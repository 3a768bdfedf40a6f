@if ($context->viewer->isSignedIn !== true)
    @include('site.account.sign-in-form', ['to' => $address->path, 'email' => '', 'fault' => ''])
@endif
