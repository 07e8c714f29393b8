// SPDX-License-Identifier: GPL-3.0-or-later
#include "project/json_parse.h"

#include <nlohmann/json.hpp>

namespace yemvo {

namespace {

constexpr std::size_t deepest = 60, most_values = 1'000'000, most_characters = 48'000'000,
                      most_fields = 20'000;  // of one object, which is searched field by field

}  // namespace

/// Builds the value from the parser's events. Large lists are handed to their collectors entry by entry.
class Parser : public nlohmann::json_sax<Json> {
public:
    Parser(const std::string& place, const Said& remedy, Reading* reading, std::span<const LargeList> large)
        : place_(place), remedy_(remedy), reading_(reading), large_(large) {}

    Json take() { return std::move(root_); }

    bool null() override { return put(Json()); }
    bool boolean(bool v) override { return put(Json(v)); }
    bool number_integer(std::int64_t v) override { return put(Json(v)); }
    bool number_unsigned(std::uint64_t v) override { return put(Json(v)); }
    bool number_float(double v, const std::string&) override { return put(Json(v)); }
    bool string(std::string& v) override {
        count_characters(v.size());
        return put(Json(std::move(v)));
    }
    bool binary(Json::binary_t&) override { return false; }
    bool start_object(std::size_t) override { return open(Json::object(), false); }
    bool key(std::string& v) override {
        count_characters(v.size());
        frames_.back().key = std::move(v);
        return true;
    }
    bool end_object() override { return close(); }
    bool start_array(std::size_t) override { return open(Json::array(), true); }
    bool end_array() override { return close(); }
    bool parse_error(std::size_t, const std::string&, const nlohmann::detail::exception& fault) override {
        throw Error(say("is not JSON: %1", std::string(fault.what()).substr(0, 200)), trimmed_place(),
                    remedy_);
    }

private:
    struct Frame {
        Json* value;
        bool list;
        std::string name;      ///< the key that it, or the list it is an entry of, stands under
        std::string key;       ///< objects: of the value that comes next
        std::size_t next = 0;  ///< lists: index of the entry that comes next
        std::unique_ptr<Collector>
            collector;  ///< of a large list's entries; `value` is where one is built then
        std::size_t values_before = 0, characters_before = 0;
    };

    std::string trimmed_place() const { return place_.substr(0, place_.find_last_not_of(": ") + 1); }

    std::string path() const {
        std::string path = place_;
        for (const Frame& f : frames_)
            if (f.list)
                path = Reader::with_index(std::move(path), f.next);
            else
                path = Reader::with_field(std::move(path), f.key.substr(0, 60));
        return path;
    }

    [[noreturn]] void refuse(const Said& what) const { throw Error(what, path(), remedy_); }

    void count_characters(std::size_t n) {
        characters_ += n;
        if (characters_ > most_characters) refuse(say("there is more text here than a project has"));
    }

    const LargeList* large_list_here() const {
        if (frames_.empty() || frames_.back().list) return nullptr;
        for (const LargeList& l : large_)
            if (l.inside == frames_.back().name && l.key == frames_.back().key) return &l;
        return nullptr;
    }

    /// Where a value that comes now is put.
    Json* place_for(Json value) {
        if (++values_ > most_values) refuse(say("there are more values here than a project has"));
        if (frames_.empty()) {
            root_ = std::move(value);
            return &root_;
        }
        Frame& f = frames_.back();
        if (f.collector) {
            f.values_before = values_ - 1;
            f.characters_before = characters_;
            *f.value = std::move(value);
            return f.value;
        }
        if (f.list) {
            f.value->push_back(std::move(value));
            return &f.value->back();
        }
        if (f.value->size() >= most_fields) refuse(say("has more fields than any part of a project"));
        return &((*f.value)[f.key] = std::move(value));
    }

    bool put(Json value) {
        place_for(std::move(value));
        ended();
        return true;
    }

    bool open(Json value, bool list) {
        if (frames_.size() >= deepest) refuse(say("is nested deeper than %1 levels", deepest));
        const LargeList* large = list ? large_list_here() : nullptr;
        std::string name;
        if (!frames_.empty()) name = frames_.back().list ? frames_.back().name : frames_.back().key;
        Frame frame{place_for(std::move(value)), list, std::move(name), {}, 0, nullptr};
        if (large) {
            *frame.value =
                Json::binary({}, static_cast<Json::binary_t::subtype_type>(reading_->lists.size()));
            reading_->lists.emplace_back();
            frame.collector = large->make();
            entries_.push_back(std::make_unique<Json>());
            list_indices_.push_back(reading_->lists.size() - 1);
            frame.value = entries_.back().get();
        }
        frames_.push_back(std::move(frame));
        return true;
    }

    bool close() {
        if (frames_.back().collector) {
            reading_->lists[list_indices_.back()] = frames_.back().collector->finish();
            list_indices_.pop_back();
            entries_.pop_back();
        }
        frames_.pop_back();
        ended();
        return true;
    }

    /// A value is complete.
    void ended() {
        if (frames_.empty()) return;
        Frame& f = frames_.back();
        if (!f.list) return;
        if (f.collector) {
            f.collector->add(reader_of_entry());
            *f.value = Json();
            values_ = f.values_before;
            characters_ = f.characters_before;
        }
        ++f.next;
    }

    Reader reader_of_entry() const { return Reader(*frames_.back().value, path(), reading_); }

    std::string place_;
    Said remedy_;
    Reading* reading_;
    std::span<const LargeList> large_;
    Json root_;
    std::vector<Frame> frames_;
    std::vector<std::unique_ptr<Json>> entries_;  ///< of the large lists that are open
    std::vector<std::size_t> list_indices_;
    std::size_t values_ = 0, characters_ = 0;
};

Json parse_json(std::istream& in, const std::string& place, const Said& remedy, Reading* reading,
                std::span<const LargeList> large) {
    Parser parser(place, remedy, reading, reading ? large : std::span<const LargeList>{});
    if (!Json::sax_parse(in, &parser)) throw Error(say("is not JSON"), place, remedy);
    return parser.take();
}

Json parse_json(std::string_view text, const std::string& place, const Said& remedy, Reading* reading,
                std::span<const LargeList> large) {
    ViewBuffer buffer(text);
    std::istream in(&buffer);
    return parse_json(in, place, remedy, reading, large);
}

}  // namespace yemvo
