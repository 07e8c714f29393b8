// SPDX-License-Identifier: GPL-3.0-or-later
// Reading JSON that may be wrong in any way: every access is checked and a fault names its place,
// as "project.json: buildings[0].floors[1].walls[3].points[0]: must be a number".
#pragma once
#include <any>
#include <array>
#include <memory>
#include <nlohmann/json_fwd.hpp>
#include <optional>
#include <string>
#include <vector>

#include "base/error.h"
#include "base/id.h"
#include "project/rules.h"

namespace yemvo {

using Json = nlohmann::ordered_json;

/// What goes with the reading of one file.
struct Reading {
    bool tolerant = false;  ///< a part that breaks a rule is set aside; else the first one ends the reading
    std::vector<SetAside> aside;
    std::vector<std::any>
        lists;  ///< large lists, read while the file was parsed; each stands in the JSON as its index
    void set_aside(const Error&, const Json& part);
    /// The part as it stands in the file.
    void set_aside_text(const Error&, std::string part);
};

class Reader {
public:
    /// `place`: how faults begin, "project.json: ".
    Reader(const Json& value, std::string place, Reading* reading = nullptr)
        : value_(&value), reading_(reading), place_(std::make_shared<const std::string>(std::move(place))) {}

    Reader at(const char* key) const;                   ///< must be there
    std::optional<Reader> find(const char* key) const;  ///< may be absent or null
    class Items;
    /// The entries of a list, each made while it is asked for.
    Items items(std::size_t most = limits::things) const;

    double number() const;  ///< a finite one
    int integer() const;
    std::uint32_t id_value() const;
    std::string text(TextLimit = limits::words) const;
    bool boolean() const;

    /// One of the words that `known` tells (a function from name to optional).
    template <class Known>
    auto word(Known known) const {
        const std::string name = text();
        const auto value = known(name);
        if (!value) fail(say("does not know '%1'", name.substr(0, 60)));
        return *value;
    }
    template <class IdType>
    IdType id() const {
        return IdType{id_value()};
    }
    /// The value, whose own rules are asked; a fault names the field in it.
    template <class T>
    T kept(T value) const {
        try {
            check(value);
        } catch (const RuleBroken& rule) {
            Reader(*value_, with_field(path(), rule.field)).fail(rule.reason());
        }
        return value;
    }
    /// Runs `part`; where the reading is tolerant, a fault in it is noted and what it sets stays as it was.
    template <class Part>
    void part(Part part) const {
        if (!reading_ || !reading_->tolerant) return part();
        try {
            part();
        } catch (const Error& fault) {
            reading_->set_aside(fault, *value_);
        }
    }
    [[noreturn]] void fail(const Said& what) const;
    /// "project.json: buildings[0].floors[1]"
    std::string path() const;
    const Json& value() const { return *value_; }
    Reading* reading() const { return reading_; }
    /// The list that was read while the file was parsed; null where this is a list like any other.
    std::any* taken() const;

private:
    friend class Parser;
    /// A way down: into an object's field or, without key, to a list's entry.
    struct Step {
        const char* key;
        std::size_t index;
    };
    static std::string with_field(std::string path, const std::string& field);
    static std::string with_index(std::string path, std::size_t index);
    Reader inside(const Json&, Step) const;
    const Json* value_;
    Reading* reading_;
    std::shared_ptr<const std::string> place_;
    std::array<Step, 10> steps_;  ///< put into words only when something is wrong; deeper ones are left out
    int depth_ = 0;
};

class Reader::Items {
public:
    explicit Items(const Reader& list) : list_(list) {}
    std::size_t size() const;
    Reader operator[](std::size_t) const;

    class Iterator {
    public:
        Iterator(const Items& items, std::size_t at) : items_(items), at_(at) {}
        Reader operator*() const { return items_[at_]; }
        Iterator& operator++() {
            ++at_;
            return *this;
        }
        bool operator!=(const Iterator& other) const { return at_ != other.at_; }

    private:
        const Items& items_;
        std::size_t at_;
    };
    Iterator begin() const { return {*this, 0}; }
    Iterator end() const { return {*this, size()}; }

private:
    Reader list_;
};

}  // namespace yemvo
