// SPDX-License-Identifier: GPL-3.0-or-later
// JSON text to values, with bounds: a file that was made to exhaust the program is refused while it is read.
#pragma once
#include <any>
#include <istream>
#include <memory>
#include <span>
#include <streambuf>
#include <string>
#include <string_view>

#include "project/json_reader.h"

namespace yemvo {

/// A text as a stream, without a copy; it must outlive this.
struct ViewBuffer : std::streambuf {
    explicit ViewBuffer(std::string_view text) {
        char* begin = const_cast<char*>(text.data());
        setg(begin, begin, begin + text.size());
    }
};

/// Gathers the entries of one list while the text is parsed, so that a large list is never JSON as a whole.
class Collector {
public:
    virtual ~Collector() = default;
    virtual void add(const Reader& entry) = 0;
    virtual std::any finish() = 0;  ///< a std::vector of what was read
};

template <class T, T (*read)(const Reader&)>
class ListCollector : public Collector {
public:
    void add(const Reader& entry) override {
        entry.part([&] {
            if (list_.size() >= limits::things) entry.fail(say("is one too many of its kind"));
            list_.push_back(read(entry));
        });
    }
    std::any finish() override {
        list_.shrink_to_fit();
        return std::move(list_);
    }

private:
    std::vector<T> list_;
};

/// A list that is read while parsing: the one under `key` in an object that stands under `inside` (itself, or
/// as an entry of a list of that name).
struct LargeList {
    std::string_view inside, key;
    std::unique_ptr<Collector> (*make)();
};

template <class T, T (*read)(const Reader&)>
LargeList large_list(std::string_view inside, std::string_view key) {
    return {inside, key,
            [] { return std::unique_ptr<Collector>(std::make_unique<ListCollector<T, read>>()); }};
}

/// `place`: how faults begin, "project.json: ". Where a large list stood, the value has its index in
/// reading.lists. Throws Error: not JSON, nested deeper than 60 levels, or more than 1.5 million values or 48
/// million characters that are in no large list.
Json parse_json(std::istream&, const std::string& place, const Said& remedy, Reading* = nullptr,
                std::span<const LargeList> = {});
Json parse_json(std::string_view text, const std::string& place, const Said& remedy, Reading* = nullptr,
                std::span<const LargeList> = {});

}  // namespace yemvo
