@use('App\Http\RequestText')
@if (session('said') !== null)
    <p class="account-said" role="status">{{ session('said') }}</p>
@else
    <form class="account-form" method="post">
        <input type="hidden" name="_token" value="{{ csrf_token() }}">
        @foreach ($errors->all() as $fault)<p class="account-fault" role="alert">{{ $fault }}</p>@endforeach
        @if ($asksName)
            <label>@say('account.name')
                <input name="name" autocomplete="name" required maxlength="100"
                    value="{{ RequestText::old(request(), 'name') }}"></label>
        @endif
        <label>@say('account.email')
            <input name="email" type="email" autocomplete="username" required
                value="{{ RequestText::old(request(), 'email') }}"></label>
        <button>{{ $button }}</button>
    </form>
@endif
