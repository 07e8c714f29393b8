// SPDX-License-Identifier: GPL-3.0-or-later
#include "exchange/dxf_reader.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <map>
#include <numbers>
#include <unordered_map>

#include "exchange/dxf_entities.h"

namespace yemvo {
namespace {

constexpr double degree = std::numbers::pi / 180;
constexpr int deepest_nesting = 24;
constexpr std::size_t most_inserts = 500'000;
constexpr std::size_t most_groups_an_entity = 400'000;

struct Block {
    DxfShapes shapes;
    Point3 base;
    bool outside_reference = false;
};

class DxfReader {
public:
    DxfReader(const Bytes& bytes, const std::string& name, const CancelToken& cancel)
        : name_(name),
          cancel_(cancel),
          groups_({reinterpret_cast<const char*>(bytes.data()), bytes.size()}) {}

    CadDrawing read() {
        layer("0");
        try {
            read_sections();
        } catch (const Error& fault) {
            if (!sections_)
                throw Error(say("is not DXF: %1", fault.summary()), said_joined(", ", name_, fault.where()));
            skip(say("everything from %1 on", fault.where()), fault.summary());
        }
        drop_unfinished();
        if (!sections_) throw Error(say("is not DXF: no SECTION in it"), name_, say("Choose a DXF file"));
        put(model_, Affine3{}, Inherit{}, 0);
        leave_out_far_pieces();
        sum_layers();
        if (out_.pieces() == 0) {
            Said why = say("holds nothing to show");
            for (const CadSkipped& s : skipped_list()) why = say("%1; left out: %2 (%3)", why, s.what, s.why);
            throw Error(why, name_, say("Export the plan again with its lines in model space"));
        }
        out_.skipped = skipped_list();
        return std::move(out_);
    }

private:
    enum class Section { none, header, tables, blocks, entities, other };

    struct Inherit {
        int layer = 0;  ///< that pieces on layer 0 take
        int gate = -1;  ///< layer of the frozen reference they came in with
    };

    // ---- groups to entities

    void read_sections() {
        DxfGroup g;
        long count = 0;
        while (groups_.next(g)) {
            if (++count % 4096 == 0) cancel_.check();
            if (g.code == 0) {
                finish_entity();
                if (g.value == "EOF") return entities_.finish();
                if (g.value == "SECTION")
                    awaiting_section_name_ = true;
                else if (g.value == "ENDSEC")
                    section_ = Section::none;
                else
                    entity_ = DxfEntity{std::string(g.value), {}};
            } else if (awaiting_section_name_ && g.code == 2) {
                begin_section(g.value);
            } else if (section_ == Section::header) {
                header(g);
            } else if (!entity_.type.empty() && section_ != Section::other) {
                if (entity_.values.size() < most_groups_an_entity)
                    entity_.values.push_back({g.code, std::string(g.value)});
                else
                    too_long_ = true;
            }
        }
        if (sections_) skip(say("what may have followed"), say("the file ends without its end mark"));
    }

    void begin_section(std::string_view name) {
        awaiting_section_name_ = false;
        ++sections_;
        section_ = name == "HEADER"     ? Section::header
                   : name == "TABLES"   ? Section::tables
                   : name == "BLOCKS"   ? Section::blocks
                   : name == "ENTITIES" ? Section::entities
                                        : Section::other;
    }

    void header(const DxfGroup& g) {
        if (g.code == 9) {
            variable_ = g.value;
            return;
        }
        if (variable_ == "$INSUNITS") {
            const double m = unit_metres(dxf_integer(g.value));
            if (m > 0) out_.unit_m = m;
        } else if (variable_ == "$MEASUREMENT") {
            out_.imperial = dxf_integer(g.value, 1) == 0;
        } else if (variable_ == "$ACADVER") {
            version_ = g.value;
        } else if (variable_ == "$DWGCODEPAGE") {
            code_page_ = g.value;
        }
        decoder_ = DxfTextDecoder(version_, code_page_);
        entities_.set_decoder(decoder_);
    }

    /// $INSUNITS by the reference's table.
    static double unit_metres(long code) {
        static const std::map<long, double> known{
            {1, 0.0254},  {2, 0.3048},  {3, 1609.344}, {4, 0.001}, {5, 0.01}, {6, 1},    {7, 1000},
            {8, 2.54e-8}, {9, 2.54e-5}, {10, 0.9144},  {14, 0.1},  {15, 10},  {16, 100}, {21, 1200.0 / 3937}};
        const auto found = known.find(code);
        return found == known.end() ? 0 : found->second;
    }

    void finish_entity() {
        if (entity_.type.empty()) return;
        DxfEntity e = std::move(entity_);
        entity_ = {};
        if (too_long_) {
            too_long_ = false;
            skip(e.type, say("it has more than %1 groups", most_groups_an_entity));
        }
        if (section_ == Section::tables) {
            if (e.type == "LAYER") add_layer(e);
        } else if (section_ == Section::blocks) {
            if (e.type == "BLOCK") {
                entities_.finish();
                block_ = &blocks_[e.text(2)];
                block_->base = e.point(10);
                if (!usable(block_->base)) block_->base = {};
                block_->outside_reference = (e.integer(70) & 4) != 0;
            } else if (e.type == "ENDBLK") {
                entities_.finish();
                block_ = nullptr;
            } else if (block_) {
                entities_.add(e, block_->shapes);
            }
        } else if (section_ == Section::entities) {
            entities_.add(e, model_);
        }
    }

    /// Where the file is cut short, what stands last is not whole, though it may look so.
    void drop_unfinished() {
        if (!entity_.type.empty()) skip(entity_.type, say("the file ends within it"));
        entity_ = {};
        entities_.drop_unfinished();
    }

    void skip(const Said& what, const Said& why, std::size_t count = 1) {
        CadSkipped& s = skipped_[{what.english(), why.english()}];
        s = {what, why, s.count + count};
    }

    std::vector<CadSkipped> skipped_list() const {
        std::vector<CadSkipped> list;
        for (const auto& [words, skipped] : skipped_) list.push_back(skipped);
        return list;
    }

    // ---- layers

    int layer(const std::string& raw) {
        const auto known = layer_index_.find(raw);
        if (known != layer_index_.end()) return known->second;
        CadLayer made;
        made.name = decoder_.decode(raw);
        const int index = static_cast<int>(out_.layers.size());
        out_.layers.push_back(std::move(made));
        layer_index_[raw] = index;
        return index;
    }

    void add_layer(const DxfEntity& e) {
        if (e.text(2).empty()) return skip(std::string("LAYER"), say("it has no name"));
        CadLayer& l = out_.layers[static_cast<std::size_t>(layer(e.text(2)))];
        frozen_.resize(out_.layers.size(), false);
        const bool frozen = (e.integer(70) & 1) != 0;
        l.visible = !frozen && e.integer(62, 7) >= 0;
        frozen_[static_cast<std::size_t>(layer(e.text(2)))] = frozen;
    }

    // ---- shapes to the flat drawing

    template <class Piece>
    void place(Piece& piece, int layer, const Inherit& inherit) {
        piece.layer = layer == 0 ? inherit.layer : layer;
        piece.gate = inherit.gate;
    }

    bool room(std::size_t weight = 1) {
        kept_ += weight;
        if (kept_ <= most_cad_pieces) return true;
        full_ = true;
        return false;
    }

    void put(const DxfShapes& shapes, const Affine3& t, const Inherit& inherit, int depth) {
        cancel_.check();
        for (const auto& s : shapes.lines) {
            if (!room()) break;
            CadLine line;
            place(line, s.layer, inherit);
            line.a = t.apply(s.a).flat();
            line.b = t.apply(s.b).flat();
            out_.lines.push_back(line);
        }
        for (const auto& s : shapes.arcs) {
            if (!room()) break;
            CadArc arc;
            place(arc, s.layer, inherit);
            arc.centre = t.apply(s.arc.centre).flat();
            arc.u = t.direction(s.arc.u).flat();
            arc.v = t.direction(s.arc.v).flat();
            arc.from = s.arc.from;
            arc.sweep = s.arc.sweep;
            out_.arcs.push_back(arc);
        }
        for (const auto& s : shapes.curves) {
            if (!room(s.points.size())) break;
            CadCurve curve;
            place(curve, s.layer, inherit);
            for (Point3 p : s.points) curve.points.push_back(t.apply(p).flat());
            out_.curves.push_back(std::move(curve));
        }
        for (const auto& s : shapes.texts) {
            if (!room()) break;
            const Point along = t.direction(s.along).flat(), up = t.direction(s.up).flat();
            CadText text;
            place(text, s.layer, inherit);
            text.at = t.apply(s.at).flat();
            text.height = length(up);
            // mirrored words are turned to read from left to right
            const bool mirrored = cross(along, up) < 0;
            text.turn_deg = std::atan2(along.y, along.x) / degree + (mirrored ? 180 : 0);
            text.align_x = mirrored ? 1 - s.align_x : s.align_x;
            text.align_y = s.align_y;
            text.words = s.words;
            if (text.height > 0) out_.texts.push_back(std::move(text));
        }
        for (const auto& insert : shapes.inserts) put(insert, t, inherit, depth);
    }

    void put(const DxfShapes::Insert& insert, const Affine3& t, const Inherit& inherit, int depth) {
        const auto found = blocks_.find(insert.block);
        if (found == blocks_.end()) return skip(std::string("INSERT"), say("its block is not in the file"));
        const Block& block = found->second;
        if (block.outside_reference) return skip(std::string("INSERT"), say("it refers to another file"));
        if (depth >= deepest_nesting)
            return skip(std::string("INSERT"), say("blocks are nested too deep or in a circle"));
        Inherit inner = inherit;
        inner.layer = insert.layer == 0 ? inherit.layer : insert.layer;
        if (static_cast<std::size_t>(inner.layer) < frozen_.size() &&
            frozen_[static_cast<std::size_t>(inner.layer)])
            inner.gate = inner.layer;
        const Affine3 to_base{{1, 0, 0}, {0, 1, 0}, {0, 0, 1}, block.base * -1.0};
        for (long row = 0; row < insert.rows; ++row)
            for (long column = 0; column < insert.columns; ++column) {
                if (full_ || ++inserts_ > most_inserts) {
                    full_ = true;
                    return;
                }
                Affine3 placed = insert.placed;
                placed.origin = placed.origin + insert.column_step * static_cast<double>(column) +
                                insert.row_step * static_cast<double>(row);
                put(block.shapes, t * placed * to_base, inner, depth + 1);
            }
    }

    // ---- at the end

    /// A few strays far from all else would make the rest a dot: they are left out.
    void leave_out_far_pieces() {
        if (full_)
            skip(say("what goes beyond"),
                 say("there are more than %1 pieces or too many blocks in blocks", most_cad_pieces));
        std::vector<double> xs, ys;
        const auto note = [&](Point p) {
            xs.push_back(p.x);
            ys.push_back(p.y);
        };
        for (const CadLine& l : out_.lines) note(lerp(l.a, l.b, 0.5));
        for (const CadArc& a : out_.arcs) note(a.centre);
        for (const CadCurve& c : out_.curves) note(c.points.front());
        if (xs.size() < 8)
            return drop_unusable(
                {{-farthest_cad_unit, -farthest_cad_unit}, {farthest_cad_unit, farthest_cad_unit}});
        const auto share = [](std::vector<double>& v, double q) {
            const auto at = v.begin() + static_cast<std::ptrdiff_t>(q * static_cast<double>(v.size() - 1));
            std::nth_element(v.begin(), at, v.end());
            return *at;
        };
        Box core{{share(xs, 0.1), share(ys, 0.1)}, {share(xs, 0.9), share(ys, 0.9)}};
        const double reach = 50 * std::max(core.width(), core.height());
        if (!(reach > 0))
            return drop_unusable(
                {{-farthest_cad_unit, -farthest_cad_unit}, {farthest_cad_unit, farthest_cad_unit}});
        drop_unusable(core.grown(reach));
    }

    void drop_unusable(const Box& within) {
        const std::size_t before = out_.pieces();
        const auto outside = [&](Point p) { return !within.contains(p); };  // true for NaN as well
        std::erase_if(out_.lines, [&](const CadLine& l) { return outside(l.a) || outside(l.b); });
        std::erase_if(out_.arcs, [&](const CadArc& a) {
            const Box b = bounds(a);
            return outside(b.low) || outside(b.high) || !(std::max(length(a.u), length(a.v)) > 0);
        });
        std::erase_if(out_.curves, [&](const CadCurve& c) {
            return std::any_of(c.points.begin(), c.points.end(), outside);
        });
        std::erase_if(out_.texts, [&](const CadText& t) { return outside(t.at); });
        if (out_.pieces() < before)
            skip(say("pieces"), say("they lie far away from all others"), before - out_.pieces());
    }

    void sum_layers() {
        const auto add_to = [&](const CadPlace& place, bool curved, double length, const Box& box) {
            CadLayer& l = out_.layers[static_cast<std::size_t>(place.layer)];
            ++(curved ? l.arcs : l.segments);
            l.length += length;
            if (!l.box) l.box = box;
            l.box->include(box.low);
            l.box->include(box.high);
        };
        for (const CadLine& l : out_.lines) {
            Box box{l.a, l.a};
            box.include(l.b);
            add_to(l, false, distance(l.a, l.b), box);
        }
        for (const CadArc& a : out_.arcs) add_to(a, true, yemvo::length(a), bounds(a));
        for (const CadCurve& c : out_.curves) {
            double sum = 0;
            for (std::size_t i = 1; i < c.points.size(); ++i) sum += distance(c.points[i - 1], c.points[i]);
            add_to(c, true, sum, *bounds(c.points));
        }
    }

    std::string name_;
    CancelToken cancel_;
    DxfGroups groups_;
    Section section_ = Section::none;
    bool awaiting_section_name_ = false, too_long_ = false, full_ = false;
    int sections_ = 0;
    std::size_t inserts_ = 0, kept_ = 0;
    std::string variable_, version_, code_page_;
    DxfTextDecoder decoder_{"", ""};
    DxfEntity entity_;
    std::unordered_map<std::string, Block> blocks_;
    Block* block_ = nullptr;
    DxfShapes model_;
    DxfEntityReader entities_{{[this](const std::string& raw) { return layer(raw); },
                               [this](const Said& what, const Said& why) { skip(what, why); }}};
    std::unordered_map<std::string, int> layer_index_;
    std::vector<bool> frozen_;
    std::map<std::pair<std::string, std::string>, CadSkipped> skipped_;  ///< by its English words
    CadDrawing out_;
};

}  // namespace

CadDrawing read_dxf(const Bytes& bytes, const std::string& name, const CancelToken& cancel) {
    if (bytes.empty())
        throw Error(say("is empty"), name, say("Choose the file again; it may not have been copied whole"));
    return DxfReader(bytes, name, cancel).read();
}

bool looks_like_dxf(const Bytes& bytes) {
    const std::string_view text(reinterpret_cast<const char*>(bytes.data()), bytes.size());
    try {
        DxfGroups groups(text);
        if (groups.is_binary()) return true;
        DxfGroup g;
        return groups.next(g) && g.code == 0 && g.value == "SECTION";
    } catch (const Error&) {
        return false;
    }
}

}  // namespace yemvo
