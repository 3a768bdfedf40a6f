<?php

declare(strict_types=1);

namespace App\Enums;

/** The actions in the audit trail. */
enum AuditAction: string
{
    case SignedIn = 'signedIn';
    case SignInFailed = 'signInFailed';
    case SignedOut = 'signedOut';
    case SignedOutEverywhere = 'signedOutEverywhere';
    case PasswordChanged = 'passwordChanged';
    case Invited = 'invited';
    case AccountChanged = 'accountChanged';
    case GroupSaved = 'groupSaved';
    case GroupRemoved = 'groupRemoved';
    case ModulePublished = 'modulePublished';
    case ModuleSwitched = 'moduleSwitched';
    case ModuleRemoved = 'moduleRemoved';
    case ModulePlaced = 'modulePlaced';
    case PagePublished = 'pagePublished';
    case PageRemoved = 'pageRemoved';
    case FramePublished = 'framePublished';
    case MenuPublished = 'menuPublished';
    case SettingsPublished = 'settingsPublished';
    case LookPublished = 'lookPublished';
    case TypeChanged = 'typeChanged';
    case TypeRemoved = 'typeRemoved';
    case TaxonomyChanged = 'taxonomyChanged';
    case TaxonomyRemoved = 'taxonomyRemoved';
    case TermRemoved = 'termRemoved';
    case TermsMerged = 'termsMerged';
    case ItemsRemoved = 'itemsRemoved';
    case FileRemoved = 'fileRemoved';
    case Imported = 'imported';
    case DemoRemoved = 'demoRemoved';
    case Undone = 'undone';

    public function words(): string
    {
        return match ($this) {
            self::SignedIn => 'Signed in',
            self::SignInFailed => 'Sign-in failed',
            self::SignedOut => 'Signed out',
            self::SignedOutEverywhere => 'Signed out everywhere',
            self::PasswordChanged => 'Password changed',
            self::Invited => 'Invited',
            self::AccountChanged => 'Account changed',
            self::GroupSaved => 'Group saved',
            self::GroupRemoved => 'Group removed',
            self::ModulePublished => 'Module published',
            self::ModuleSwitched => 'Module switched off or on',
            self::ModuleRemoved => 'Module removed',
            self::ModulePlaced => 'Module placed on pages',
            self::PagePublished => 'Page published',
            self::PageRemoved => 'Page removed',
            self::FramePublished => 'Frame published',
            self::MenuPublished => 'Menu published',
            self::SettingsPublished => 'Site settings published',
            self::LookPublished => 'Look published',
            self::TypeChanged => 'Content type changed',
            self::TypeRemoved => 'Content type removed',
            self::TaxonomyChanged => 'Taxonomy changed',
            self::TaxonomyRemoved => 'Taxonomy removed',
            self::TermRemoved => 'Term removed',
            self::TermsMerged => 'Terms merged',
            self::ItemsRemoved => 'Items removed',
            self::FileRemoved => 'File removed',
            self::Imported => 'Imported',
            self::DemoRemoved => 'Removed the demo',
            self::Undone => 'Taken back',
        };
    }
}
