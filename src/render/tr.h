// SPDX-License-Identifier: GPL-3.0-or-later
// Every text that a person reads, in the desktop's language. A translation is found by the English text
// alone, whichever class asks: `tr` here is for functions, a QObject's own `tr` comes to the same.
#pragma once
#include <QString>
#include <concepts>
#include <exception>

#include "base/said.h"

namespace yemvo {

QString tr(const char* english, const char* comment = nullptr, int n = -1);
/// A text that the core has mark()ed in a table of its own.
QString tr_mark(std::string_view marked);
/// The same with a capital, as it stands first.
QString tr_first(std::string_view marked);

/// What the core says, with its numbers and lengths as the desktop writes them.
QString said_text(const Said&);
/// What went wrong, in words.
QString fault_text(const std::exception&);

/// A sentence about n things, "%n" in it: `counted("%n wall", "%n walls", n)`.
QString counted_text(const char* one, const char* many, qint64 n);
QString counted(const char* one, const char* many, std::integral auto n) {
    return counted_text(one, many, static_cast<qint64>(n));
}

/// Reads a translation (.qm) and uses it from now on, instead of one before; an empty name goes back to
/// English. False, and all stays as it is, when the file is no translation.
bool use_translation(const QString& file);
/// Uses the translation into the desktop's language, where one is installed.
void use_translation_of_the_desktop();

}  // namespace yemvo
