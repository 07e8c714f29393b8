// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/things/listening_place.h"

#include <QPainter>
#include <algorithm>
#include <cmath>

#include "app/arrange/arrange_group.h"
#include "app/details/heard_here.h"
#include "app/forms/form.h"
#include "app/forms/form_parts.h"
#include "app/look/theme.h"
#include "app/model/neighbours.h"
#include "app/model/next_things.h"
#include "app/model/tool_id.h"
#include "app/plan/tool.h"
#include "project/kinds/listening_place.h"
#include "project/kinds/thing_edits.h"
#include "project/project.h"
#include "render/plan_marks.h"
#include "render/text_style.h"
#include "render/tr.h"

namespace yemvo::app {
namespace {

QRectF place_area(QPointF at) { return QRectF(at.x() - 10, at.y() - 10, 20, 20); }

/// A dashed block, as neighbours stand on the board, and how many radios were heard.
void paint_place(QPainter& p, const Floor& f, const Item& item, QPointF at, bool selected) {
    const ListeningPlace& place = *find_listening_place(f, ListeningPlaceId{item.id});
    const QRectF body = place_area(at).adjusted(1, 2, -1, -2);
    const QColor ink = selected ? theme().accent : theme().ink;
    p.save();
    p.setRenderHint(QPainter::Antialiasing);
    p.setPen(QPen(theme().casing, 4));
    p.drawRoundedRect(body, 3, 3);
    QPen edge(ink, 1.4);
    edge.setDashPattern({3, 2});
    p.setPen(edge);
    p.setBrush(theme().tile);
    p.drawRoundedRect(body, 3, 3);
    p.setPen(ink);
    p.setFont(render::font(11, 600));
    p.drawText(body, Qt::AlignCenter, QString::number(place.heard.size()));
    p.restore();
    if (!place.name.empty())
        render::draw_halo_text(p, QPointF(at.x(), body.bottom() + 9), QString::fromStdString(place.name),
                               render::font(10.5, 600), ink, theme().casing);
}

QString place_name(const Project&, const Floor& f, const Item& item) {
    return said_text(KindOf<ListeningPlace>::label(*find_listening_place(f, ListeningPlaceId{item.id})));
}

class ListeningTool : public Tool {
public:
    using Tool::Tool;
    QString name() const override { return tr("Neighbours"); }
    std::vector<HintPart> hint() const override {
        const auto& next = *workspace_.next().operator->();
        if (next.heard)
            return {{"", tr("click where %1 was heard").arg(QString::fromStdString(next.heard_from))},
                    {tr("Esc"), tr("leave it")}};
        return {{"", tr("click where somebody listened; drop a capture there")},
                {tr("Esc"), tr("exit tool")}};
    }
    void move(const PointerEvent& e) override {
        if (!floor()) return;
        pointer_ = e.floor;
        surface_.repaint_tool();
    }
    void press(const PointerEvent& e) override {
        if (!floor()) return;
        Workspace& workspace = workspace_;  // this tool goes when another is chosen
        const auto heard = workspace.next()->heard;
        const QString from = QString::fromStdString(workspace.next()->heard_from);
        forget();
        if (heard)
            add_listening_place(workspace, e.floor, heard_at(workspace, e.floor, *heard), from);
        else
            add_listening_place(workspace, e.floor, {}, {});
    }
    void leave() override { forget(); }
    void abandon() override {}  // the capture waits for its place on another floor
    void paint(QPainter& p) override {
        if (!pointer_ || !floor()) return;
        p.setPen(QPen(theme().accent, 1.4, Qt::DashLine));
        p.setBrush(Qt::NoBrush);
        p.drawRoundedRect(place_area(map().to_screen(*pointer_)).adjusted(1, 2, -1, -2), 3, 3);
    }

private:
    void forget() {
        if (!workspace_.next()->heard) return;
        workspace_.next().change([](NextKinds& next) {
            next.heard = nullptr;
            next.heard_from.clear();
        });
    }
    std::optional<Point> pointer_;
};

/// The neighbour whose fields are shown, read and changed.
class Fields {
public:
    Fields(Workspace& w, HeardHere& list, ListeningPlaceId id) : w_(w), list_(list), id_(id) {}
    Neighbour get() const {
        const Neighbour* n = list_.chosen();
        return n ? *n : Neighbour();
    }
    void set(const QString& label, const std::function<void(Neighbour&)>& how) const {
        const std::size_t index = list_.chosen_index();
        change_thing(
            w_, label, [id = id_](Project&, const Floor& f) { return find_listening_place(f, id); },
            [](Project& p, FloorId at, const ListeningPlace& place) { replace_thing(p, at, place); },
            std::function<void(ListeningPlace&)>([&how, index](ListeningPlace& place) {
                if (index < place.heard.size()) how(place.heard[index]);
            }));
    }
    /// The wide channel round the primary; one that does not exist is refused by the edit.
    static void retune(Neighbour& n, BandId id, int primary, int width_mhz) {
        const auto around = channels_around(id, primary, width_mhz);
        n.channel = around.empty() ? Channel{id, primary, width_mhz} : around.front();
        n.primary = primary;
    }

private:
    Workspace& w_;
    HeardHere& list_;
    ListeningPlaceId id_;
};

void channel_rows(Form& form, const Fields& fields) {
    QStringList bands_of, widths;
    for (const Band& b : bands()) bands_of << tr("%1 GHz").arg(render::local(b.name));
    for (int width : channel_widths_mhz()) widths << tr("%1 MHz").arg(width);
    form.choice(
        form.row(tr("Band")), "heardBand", bands_of,
        [=] { return static_cast<int>(fields.get().channel.band.index); },
        [=](int i) {
            fields.set(tr("Change band of a neighbour"), [&](Neighbour& n) {
                const BandId id = bands()[static_cast<std::size_t>(i)].id;
                if (n.channel.band == id) return;
                const Channel first = channels(id, 20).front();
                n.channel = first;
                n.primary = first.number;
            });
        });
    auto* row = form.row(tr("Channel"));
    form.number_field(
        row, "heardPrimary", "", 0, [=] { return static_cast<double>(fields.get().primary); },
        [=](double v) {
            fields.set(tr("Change channel of a neighbour"), [&](Neighbour& n) {
                Fields::retune(n, n.channel.band, static_cast<int>(std::lround(v)), n.channel.width_mhz);
            });
        },
        {0, 300});
    form.choice(
        row, "heardWidth", widths,
        [=] {
            const auto& all = channel_widths_mhz();
            return static_cast<int>(std::ranges::find(all, fields.get().channel.width_mhz) - all.begin());
        },
        [=](int i) {
            fields.set(tr("Change width of a neighbour"), [&](Neighbour& n) {
                Fields::retune(n, n.channel.band, n.primary,
                               channel_widths_mhz()[static_cast<std::size_t>(i)]);
            });
        });
}

void heard_rows(Form& form, const Fields& fields) {
    auto* row = form.row(tr("Level"));
    form.number_field(
        row, "heardLevel", "dBm", 0, [=] { return fields.get().level_dbm; },
        [=](double v) {
            fields.set(tr("Change level of a neighbour"), [&](Neighbour& n) { n.level_dbm = v; });
        },
        limits::heard_level_dbm);
    form.number_field(
        form.row(tr("In use")), "heardUse", "%", 0, [=] { return 100 * fields.get().use; },
        [=](double v) {
            fields.set(tr("Change use of a neighbour"), [&](Neighbour& n) { n.use = v / 100; });
        },
        {0, 100});
    form.number_field(
        form.row(tr("Stations")), "heardStations", "", 0,
        [=] { return static_cast<double>(fields.get().stations); },
        [=](double v) {
            fields.set(tr("Change stations of a neighbour"),
                       [&](Neighbour& n) { n.stations = static_cast<int>(std::lround(v)); });
        },
        limits::stations);
}

/// Somebody else's, or which access point of this floor.
void whose_row(Form& form, Workspace& w, const Fields& fields) {
    std::vector<AccessPoint> all = access_points(w.project(), w.floor_id());
    std::ranges::sort(all, {}, &AccessPoint::number);
    QStringList names{tr("somebody else's")};
    std::vector<AccessPointId> ids{AccessPointId{}};
    for (const AccessPoint& ap : all) {
        names << tr("access point %1").arg(ap.number);
        ids.push_back(ap.id);
    }
    form.choice(
        form.row(tr("Whose")), "heardWhose", names,
        [=] {
            const auto own = fields.get().own;
            const auto at = std::ranges::find(ids, own.value_or(AccessPointId{}));
            return at == ids.end() ? -1 : static_cast<int>(at - ids.begin());
        },
        [=](int i) {
            fields.set(tr("Change whose it is"), [&](Neighbour& n) {
                n.own = i > 0 ? std::optional(ids[static_cast<std::size_t>(i)]) : std::nullopt;
            });
        });
}

Form* place_form(Workspace& w, const Item& item) {
    const ListeningPlaceId id{item.id};
    auto* form = new Form(w, nullptr);
    const auto place = [&w, id]() -> const ListeningPlace& { return *find_listening_place(*w.floor(), id); };
    const auto change = [&w, id](const QString& label, std::function<void(ListeningPlace&)> how) {
        change_thing(
            w, label, [id](Project&, const Floor& f) { return find_listening_place(f, id); },
            [](Project& p, FloorId at, const ListeningPlace& l) { replace_thing(p, at, l); }, how);
    };
    title(*form, tr("Neighbours heard"));
    form->name_field(
        form->row(tr("Name")), "listeningName", [place] { return QString::fromStdString(place().name); },
        [=](const QString& text) {
            change(tr("Rename listening place"), [&](ListeningPlace& l) { l.name = text.toStdString(); });
        });
    auto* row = form->row(tr("Position"));
    for (const auto& [letter, member] : {std::pair{"x", &Point::x}, {"y", &Point::y}})
        form->length_field(
            row, "listening" + QString(letter).toUpper(), letter,
            [place, member = member] { return place().position.*member; },
            [=, member = member](double v) {
                change(tr("Move listening place"), [&](ListeningPlace& l) { l.position.*member = v; });
            });
    form->group(tr("Radios heard here"));
    auto* list = new HeardHere(w, id);
    form->widget(list);
    form->on_refresh([list] { list->refresh(); });
    form->built_for([place] { return place().heard.empty() ? QString() : QStringLiteral("any"); });
    if (place().heard.empty()) {
        form->note(tr("Type what was heard here, or read a capture or a table."));
    } else {
        const Fields fields(w, *list, id);
        form->group(tr("The one chosen"));
        form->name_field(
            form->row(tr("Network")), "heardName", [=] { return QString::fromStdString(fields.get().name); },
            [=](const QString& text) {
                fields.set(tr("Rename a neighbour"), [&](Neighbour& n) { n.name = text.toStdString(); });
            });
        form->name_field(
            form->row(tr("Address")), "heardAddress",
            [=] { return QString::fromStdString(fields.get().address); },
            [=](const QString& text) {
                fields.set(tr("Change address of a neighbour"),
                           [&](Neighbour& n) { n.address = text.trimmed().toLower().toStdString(); });
            });
        channel_rows(*form, fields);
        heard_rows(*form, fields);
        whose_row(*form, w, fields);
        QObject::connect(list, &HeardHere::chosen_changed, form, &Form::refresh);
    }
    arrange_group(*form, w);
    form->stretch();
    return form;
}

std::unique_ptr<Tool> make_listening_tool(Workspace& w, PlanSurface& s) {
    return std::make_unique<ListeningTool>(w, s);
}

}  // namespace

KindFace listening_place_face() {
    return {
        ItemKind::listening_place,
        PickBy::mark,
        mark("listening places"),
        place_name,
        place_form,
        true,
        place_area,
        paint_place,
        ToolInfo{ToolId::listening_place,
                 mark("Neighbours"),
                 "neighbours",
                 "Shift+N",
                 mark("Place what was heard of other people's networks: typed, from a table or a capture"),
                 make_listening_tool,
                 {Step::spectrum},
                 ToolId::listening_place}};
}

}  // namespace yemvo::app
