<nav class="menu" aria-label="{{ $menu === 'main' ? App\Wording\SiteText::plain('page.mainMenu') : ucfirst($menu) }}">
    @include('site.menu', ['entries' => $entries, 'path' => $address->path])
</nav>
