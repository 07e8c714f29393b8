// SPDX-License-Identifier: GPL-3.0-or-later
// What the core says to a person: a code with its values. The code is the sentence in English with places for
// the values ("%1 has a gap of %2"), so that a translation is found by it; the window makes the sentence in
// the desktop's language and writes the numbers its way, files and the command line take the English one.
#pragma once
#include <concepts>
#include <iosfwd>
#include <string>
#include <string_view>
#include <utility>
#include <vector>

#include "base/length_text.h"

namespace yemvo {

/// Marks a text of a table for translation and leaves it as it is: who shows it asks for its translation.
constexpr const char* mark(const char* text) { return text; }

class Said {
public:
    enum class Kind {
        verbatim,  ///< as it stands in every language: a name, a path, a file's own words
        sentence,  ///< a pattern, to be translated, with its values as %1 to %9
        number,
        length,
        area,
        first,   ///< its one value, as it stands at the start of a sentence
        joined,  ///< the values one after another, with the pattern between them
    };

    Said() = default;
    Said(std::string words) : pattern_(std::move(words)) {}
    Said(std::string_view words) : pattern_(words) {}
    /// A text in the source is a sentence: say() it.
    Said(const char*) = delete;
    template <std::integral Integer>
    requires(!std::same_as<Integer, char> && !std::same_as<Integer, bool>) Said(Integer n)
        : Said(Kind::number, {}) {
        number_ = static_cast<double>(n);
    }

    Kind kind() const { return kind_; }
    bool empty() const { return kind_ == Kind::verbatim && pattern_.empty(); }
    /// Of a sentence in English; the text itself of what is verbatim.
    const std::string& pattern() const { return pattern_; }
    /// Of a sentence about %n things; its pattern is the one for a single thing.
    bool counts() const { return !pattern_of_many_.empty(); }
    const std::string& pattern_of_many() const { return pattern_of_many_; }
    /// A number, a length [m], an area [m²], or the count of a sentence.
    double number() const { return number_; }
    int decimals() const { return decimals_; }
    LengthUnits units() const { return units_; }
    const std::vector<Said>& values() const { return values_; }

    std::string english() const;

    friend bool operator==(const Said&, const Said&) = default;
    template <std::convertible_to<std::string_view> Text>
    friend bool operator==(const Said& said, const Text& english) {
        return said.english() == std::string_view(english);
    }

    // the ways to make one; say() and its like are shorter
    static Said sentence(const char* pattern, std::vector<Said> values);
    static Said counted(const char* one, const char* many, long long n, std::vector<Said> values);
    static Said figure(double value, int decimals);
    static Said length(double length_m, LengthUnits, int decimals);
    static Said area(double area_m2, LengthUnits);
    static Said joined(const char* between, std::vector<Said> parts);

private:
    friend Said said_first(Said);
    friend Said said_shortened(const Said&, std::size_t);
    Said(Kind kind, std::string pattern) : kind_(kind), pattern_(std::move(pattern)) {}
    Kind kind_ = Kind::verbatim;
    LengthUnits units_ = LengthUnits::metres;
    int decimals_ = 0;
    double number_ = 0;
    std::string pattern_, pattern_of_many_;
    std::vector<Said> values_;
};

std::ostream& operator<<(std::ostream&, const Said&);

/// A sentence with its values: `say("%1 has a gap of %2", name, said_length(gap_m, units))`.
template <class... Value>
Said say(const char* pattern, Value&&... values) {
    return Said::sentence(pattern, {Said(std::forward<Value>(values))...});
}

/// A sentence about n things, "%n" in it: `say_counted("%n wall", "%n walls", n)`.
template <class... Value>
Said say_counted(const char* one, const char* many, std::integral auto n, Value&&... values) {
    return Said::counted(one, many, static_cast<long long>(n), {Said(std::forward<Value>(values))...});
}

/// A text of a table that was mark()ed.
inline Said said_mark(std::string_view marked) { return Said::sentence(std::string(marked).c_str(), {}); }
inline Said said_figure(double value, int decimals) { return Said::figure(value, decimals); }
inline Said said_length(double length_m, LengthUnits units, int decimals = 2) {
    return Said::length(length_m, units, decimals);
}
inline Said said_area(double area_m2, LengthUnits units) { return Said::area(area_m2, units); }

/// Parts one after another that stand for themselves in every language: a list, a place and its fault.
template <class... Part>
Said said_joined(const char* between, Part&&... parts) {
    return Said::joined(between, {Said(std::forward<Part>(parts))...});
}

/// With a capital where it stands first.
Said said_first(Said);
/// With every name in it cut to so many characters.
Said said_shortened(const Said&, std::size_t most);

/// Puts the texts of values into a pattern in one pass, so that a value that holds "%2" stays what it is.
/// `count` stands for "%n". A place without a value stays as it is.
std::string filled(std::string_view pattern, const std::vector<std::string>& values,
                   const std::string& count = "%n");

}  // namespace yemvo
