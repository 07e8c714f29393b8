// SPDX-License-Identifier: GPL-3.0-or-later
#include <QCheckBox>
#include <QComboBox>
#include <QGridLayout>
#include <QHBoxLayout>
#include <QLabel>
#include <QPainter>
#include <QPushButton>
#include <algorithm>
#include <cmath>

#include "app/details/busy_hour_rows.h"
#include "app/details/detail_forms.h"
#include "app/details/on_site_rows.h"
#include "app/details/where_it_could_go.h"
#include "app/look/theme.h"
#include "app/model/activity.h"
#include "app/model/results.h"
#include "app/model/shown_map.h"
#include "app/model/wishes.h"
#include "capacity/demand_table.h"
#include "coverage/failure.h"
#include "project/edits.h"
#include "project/gear_edits.h"
#include "project/project.h"
#include "project/short_title.h"
#include "project/working_radio.h"
#include "render/plan_marks.h"
#include "render/text_style.h"
#include "render/tr.h"

namespace yemvo::app {
namespace {

/// The badge, as on the plan, beside number and model.
class BadgeHead : public QWidget {
public:
    BadgeHead(Workspace& w, AccessPointId id) : workspace_(w), id_(id) { setFixedHeight(46); }

protected:
    void paintEvent(QPaintEvent*) override {
        const Floor* f = workspace_.floor();
        const AccessPoint* ap = f ? find_access_point(workspace_.project(), f->id, id_) : nullptr;
        if (!ap) return;
        QPainter p(this);
        render::paint_badge(p, QPointF(18, 19), workspace_.project(), *ap, render::BadgeState::selected,
                            theme(), false);
        p.setPen(theme().ink);
        p.setFont(render::font(13, 650));
        p.drawText(QRectF(44, 4, width() - 44, 20), Qt::AlignVCenter, tr("Access point %1").arg(ap->number));
        p.setPen(theme().muted);
        p.setFont(render::font(12));
        p.drawText(QRectF(44, 22, width() - 44, 18), Qt::AlignVCenter,
                   (ap->name.empty() ? QString() : QString::fromStdString(ap->name) + ", ") +
                       QString::fromStdString(model(workspace_.project(), ap->model).name));
    }

private:
    Workspace& workspace_;
    AccessPointId id_;
};

class Glyph : public QWidget {
public:
    explicit Glyph(BandId band) : band_(band) { setFixedSize(12, 22); }

protected:
    void paintEvent(QPaintEvent*) override {
        QPainter p(this);
        render::paint_band_glyph(p, QPointF(6, 11), band_, theme());
    }

private:
    BandId band_;
};

class AccessPointEditor {
public:
    AccessPointEditor(Workspace& w, AccessPointId id) : w_(w), id_(id) {}
    const AccessPoint& get() const { return *find_access_point(w_.project(), w_.floor_id(), id_); }
    /// `label` has the access point's number as %1.
    void change(const QString& label, const std::function<void(AccessPoint&)>& how) const {
        const FloorId at = w_.floor_id();
        w_.edit(label.arg(get().number), [&](Project& p) {
            AccessPoint ap = *find_access_point(p, at, id_);
            how(ap);
            replace_access_point(p, at, ap);
        });
    }
    WorkingRadio working(std::size_t radio) const { return working_radio(w_.project(), get(), radio); }
    const AccessPointModel& model_of() const { return model(w_.project(), get().model); }
    Workspace& w_;
    AccessPointId id_;
};

QString level(double db) { return render::figure(db, db == std::round(db) ? 0 : 1); }

/// "4 to 23 in steps of 1 dB", "5, 8, 11"
QString power_words(const RadioBand& can, double most_dbm) {
    if (can.power.levels_dbm.empty())
        return tr("%1 to %2 in steps of %3 dB")
            .arg(render::figure(can.power.low_dbm, 0), render::figure(most_dbm, 0), level(can.power.step_db));
    QStringList levels;
    for (double dbm : can.power.levels_dbm)
        if (dbm <= most_dbm) levels << level(dbm);
    return levels.join(", ");
}

/// What the EIRP is the sum of.
QString eirp_parts(const WorkingRadio& w) {
    QString sum = tr("%1 dBm power, %2 dBi antenna")
                      .arg(render::figure(w.power_dbm, 1), render::figure(w.antenna.gain_dbi, 1));
    if (w.array_gain_db > 0)
        sum += tr(", %1 dB array gain of its chains").arg(render::figure(w.array_gain_db, 1));
    if (w.cable_loss_db != 0) sum += tr(", less %1 dB of cable").arg(render::figure(w.cable_loss_db, 1));
    return sum;
}

std::vector<int> primaries_of(BandId id) {
    std::vector<int> list;
    for (const Channel& c : channels(id, 20)) list.push_back(c.number);
    return list;
}

std::vector<int> widths_of(const RadioBand& can) {
    std::vector<int> list;
    for (int w : channel_widths_mhz())
        if (w <= can.widest_mhz && !channels(can.band, w).empty()) list.push_back(w);
    return list;
}

/// The radio's band; a choice where it can work in several.
void add_band(Form* form, QGridLayout* grid, int row, const AccessPointEditor& ed, std::size_t index) {
    const BandId id = ed.get().radios[index].channel.band;
    const std::vector<RadioBand>& bands = ed.model_of().radios[index].bands;
    if (bands.size() == 1) {
        auto* name = new QLabel(QString::fromStdString(band(id).name));
        name->setFont(render::font(12.5, 600));
        grid->addWidget(name, row, 1);
        return;
    }
    QStringList names;
    for (const RadioBand& b : bands) names << QString::fromStdString(band(b.band).name);
    auto* cell = new QHBoxLayout;
    form->choice(
            cell, QString("band%1").arg(index), names,
            [ed, index] {
                const auto& list = ed.model_of().radios[index].bands;
                const BandId now = ed.get().radios[index].channel.band;
                return static_cast<int>(
                    std::ranges::find_if(list, [&](const RadioBand& b) { return b.band == now; }) -
                    list.begin());
            },
            [ed, index](int i) {
                ed.change(tr("Switch band of access point %1"), [&](AccessPoint& ap) {
                    ap.radios[index] =
                        in_band(ed.w_.project(), ap, index,
                                ed.model_of().radios[index].bands[static_cast<std::size_t>(i)].band);
                });
            })
        ->setToolTip(tr("This radio works in one of these bands"));
    grid->addLayout(cell, row, 1);
}

/// Antenna and cable of a radio with connectors.
void add_antenna(Form* form, const AccessPointEditor& ed, std::size_t index) {
    const BandId id = ed.get().radios[index].channel.band;
    const RadioBand& can = *radio_band(ed.model_of(), index, id);
    const auto fitting = fitting_antennas(ed.w_.project(), can);
    if (fitting.empty()) return;
    const QString tail = QString::number(index);
    QStringList names{tr("its own, %1 dBi").arg(render::figure(can.antenna.gain_dbi, 1))};
    std::vector<AntennaId> ids{AntennaId{}};
    for (const AntennaModel* a : fitting) {
        names << QString::fromStdString(a->name);
        ids.push_back(a->id);
    }
    form->choice(
        form->row(tr("%1 GHz").arg(QString::fromStdString(band(id).name))), "antenna" + tail, names,
        [ed, index, ids] {
            return static_cast<int>(std::ranges::find(ids, ed.get().radios[index].antenna) - ids.begin());
        },
        [ed, index, ids](int i) {
            ed.change(tr("Change antenna of access point %1"), [&](AccessPoint& ap) {
                ap.radios[index].antenna = ids[static_cast<std::size_t>(i)];
                if (i == 0) take_own_antenna(ap.radios[index]);
            });
        });
    if (!ed.get().radios[index].antenna) return;
    const auto& cables = *ed.w_.project().cables;
    QStringList kinds{tr("no cable")};
    for (const CableType& c : cables) kinds << QString::fromStdString(c.name);
    auto* row = form->row(tr("Cable"));
    form->choice(
        row, "cable" + tail, kinds,
        [ed, index] {
            const auto& list = *ed.w_.project().cables;
            const auto found = std::ranges::find(list, ed.get().radios[index].cable, &CableType::key);
            return found == list.end() ? 0 : static_cast<int>(found - list.begin()) + 1;
        },
        [ed, index](int i) {
            ed.change(tr("Change cable of access point %1"), [&](AccessPoint& ap) {
                const auto& list = *ed.w_.project().cables;
                ap.radios[index].cable = i == 0 ? std::string() : list[static_cast<std::size_t>(i) - 1].key;
                if (i == 0) ap.radios[index].cable_m = 0;
            });
        });
    form->length_field(
        row, "cableLength" + tail, "", [ed, index] { return ed.get().radios[index].cable_m; },
        [ed, index](double v) {
            ed.change(tr("Change cable of access point %1"),
                      [&](AccessPoint& ap) { ap.radios[index].cable_m = v; });
        },
        limits::cable_m);
}

/// Source, the way it is used, and what that takes away.
void add_power(Form* form, const AccessPointEditor& ed) {
    const AccessPointModel& m = ed.model_of();
    if (m.power.empty()) return;
    form->group(tr("Power"));
    QStringList names{tr("not told")};
    for (const PowerRow& row : m.power) names << tr_mark(power_source_name(row.source));
    form->choice(
        form->row(tr("Source")), "apSource", names,
        [ed] {
            const auto& rows = ed.model_of().power;
            const auto& source = ed.get().source;
            if (!source) return 0;
            const auto found = std::ranges::find(rows, *source, &PowerRow::source);
            return found == rows.end() ? 0 : static_cast<int>(found - rows.begin()) + 1;
        },
        [ed](int i) {
            ed.change(tr("Change power source of access point %1"), [&](AccessPoint& ap) {
                ap.source = i == 0
                                ? std::nullopt
                                : std::optional(ed.model_of().power[static_cast<std::size_t>(i) - 1].source);
                ap.alternative = 0;
            });
        });
    const PowerRow* row = ed.get().source ? power_row(m, *ed.get().source) : nullptr;
    if (row && row->alternatives.size() > 1) {
        QStringList ways;
        for (const PowerAlternative& a : row->alternatives) ways << QString::fromStdString(a.name);
        form->choice(
            form->row(tr("Used for")), "apAlternative", ways, [ed] { return ed.get().alternative; },
            [ed](int i) {
                ed.change(tr("Change power source of access point %1"),
                          [&](AccessPoint& ap) { ap.alternative = i; });
            });
    }
    if (row)
        form->text(tr("Draws"), [ed] {
            const PowerRow* now = ed.get().source ? power_row(ed.model_of(), *ed.get().source) : nullptr;
            return now ? tr("%1 W at most").arg(render::figure(now->watts, 1)) : QString();
        });
    auto* lost = form->text(tr("Lost"), [ed] {
        QStringList all;
        for (const Said& s : lost_to_source(ed.w_.project(), ed.get())) all << said_text(s);
        return all.isEmpty() ? tr("nothing") : all.join("\n");
    });
    lost->setObjectName("apLost");
}

/// With the floor where that is another one.
std::vector<std::pair<ClosetId, QString>> closets_by_name(const Project& project) {
    std::vector<std::pair<ClosetId, QString>> out;
    for (const Floor* f : all_floors(project))
        for (const Closet& c : *f->closets)
            out.push_back(
                {c.id, tr("%1, %2").arg(QString::fromStdString(c.name), QString::fromStdString(f->name))});
    return out;
}

/// Where its cable ends, once there are closets.
void add_cable(Form* form, const AccessPointEditor& ed) {
    const auto closets = closets_by_name(ed.w_.project());
    if (closets.empty()) return;
    form->group(tr("Cable"));
    QStringList names{tr("the nearest closet")};
    for (const auto& [id, name] : closets) names << name;
    form->choice(
        form->row(tr("Ends at")), "apCloset", names,
        [ed, closets] {
            const auto at = std::ranges::find(closets, ed.get().closet, &std::pair<ClosetId, QString>::first);
            return at == closets.end() ? 0 : static_cast<int>(at - closets.begin()) + 1;
        },
        [ed, closets](int i) {
            ed.change(tr("Change where the cable of access point %1 ends"), [&](AccessPoint& ap) {
                ap.closet = i == 0 ? ClosetId{} : closets[static_cast<std::size_t>(i) - 1].first;
            });
        });
}

void add_radio(Form* form, QGridLayout* grid, int row, const AccessPointEditor& ed, std::size_t index) {
    const BandId id = ed.get().radios[index].channel.band;
    const AccessPointModel& m = model(ed.w_.project(), ed.get().model);
    const RadioBand can = *radio_band(m, index, id);
    const auto radio = [ed, index]() -> const Radio& { return ed.get().radios[index]; };
    const QString tail = tr("Radio%1").arg(index);

    grid->addWidget(new Glyph(id), row, 0);
    add_band(form, grid, row, ed, index);
    auto* on = new QCheckBox;
    on->setObjectName("on" + tail);
    on->setToolTip(tr("On or off"));
    QObject::connect(on, &QCheckBox::clicked, form, [ed, index](bool checked) {
        ed.change(
            checked ? tr("Switch on radio of access point %1") : tr("Switch off radio of access point %1"),
            [&](AccessPoint& ap) { ap.radios[index].on = checked; });
    });
    form->on_refresh([on, radio] { on->setChecked(radio().on); });
    grid->addWidget(on, row, 2);

    const auto tune = [ed, index, id](int primary, int width_mhz, bool open) {
        try {
            Radio next = retuned(ed.get().radios[index], id, primary, width_mhz);
            next.channel_open = open;
            ed.change(tr("Retune access point %1"), [&](AccessPoint& ap) { ap.radios[index] = next; });
        } catch (const Error& fault) {
            ed.w_.tell(fault_text(fault), true);
        }
    };
    auto* cell = new QHBoxLayout;
    const auto list = primaries_of(id);
    QStringList names{QStringLiteral("–")};
    for (int n : list) names << QString::number(n);
    QComboBox* channel = form->choice(
        cell, "channel" + tail, names,
        [=] {
            if (radio().channel_open) return 0;
            return static_cast<int>(std::find(list.begin(), list.end(), radio().primary) - list.begin()) + 1;
        },
        [=](int i) {
            tune(i > 0 ? list[static_cast<std::size_t>(i - 1)] : radio().primary, radio().channel.width_mhz,
                 i == 0);
        });
    channel->setToolTip(
        tr("Primary channel; –: not chosen yet, the radio counts as if no other were on its spectrum"));
    grid->addLayout(cell, row, 3);
    cell = new QHBoxLayout;
    const auto widths = widths_of(can);
    names.clear();
    for (int n : widths) names << QString::number(n);
    form->choice(
            cell, "width" + tail, names,
            [=] {
                return static_cast<int>(std::find(widths.begin(), widths.end(), radio().channel.width_mhz) -
                                        widths.begin());
            },
            [=](int i) { tune(radio().primary, widths[static_cast<std::size_t>(i)], radio().channel_open); })
        ->setToolTip(tr("Channel width in MHz"));
    grid->addLayout(cell, row, 4);
    cell = new QHBoxLayout;
    const double most_dbm = ed.working(index).most_power_dbm;
    auto* power = form->number_field(
        cell, "power" + tail, "", 0, [radio] { return radio().power_dbm; },
        [ed, index, can, most_dbm](double v) {
            ed.change(tr("Change power of access point %1"), [&](AccessPoint& ap) {
                ap.radios[index].power_dbm = can.power.nearest_dbm(v, most_dbm);
            });
        },
        {can.power.low_dbm, most_dbm});
    power->setToolTip(tr("Conducted power in dBm, all chains together: %1").arg(power_words(can, most_dbm)));
    power->setFixedWidth(40);
    power->setMinimumWidth(34);
    grid->addLayout(cell, row, 5);
    auto* eirp = new QLabel;
    eirp->setObjectName("eirp" + tail);
    eirp->setFont(render::font(12.5, 600));
    eirp->setAlignment(Qt::AlignRight | Qt::AlignVCenter);
    form->on_refresh([eirp, ed, index] {
        const WorkingRadio working = ed.working(index);
        eirp->setText(working.fed ? render::figure(working.eirp_dbm(), 1) : tr("no power"));
        eirp->setToolTip(eirp_parts(working));
    });
    grid->addWidget(eirp, row, 6);
}

/// A box for each radio, in one row.
void add_radio_boxes(Form* form, const AccessPointEditor& ed, const QString& label, const char* object,
                     const QString& tip, bool Radio::*flag, const QString& edit_label) {
    auto* row = form->row(label);
    for (std::size_t i = 0; i < ed.get().radios.size(); ++i) {
        auto* box = new QCheckBox(render::local(band(ed.get().radios[i].channel.band).name));
        box->setObjectName(QString("%1%2").arg(object).arg(i));
        box->setAccessibleName(label + " " + box->text());
        box->setToolTip(tip);
        QObject::connect(box, &QCheckBox::clicked, form, [ed, i, flag, edit_label](bool on) {
            ed.change(edit_label, [&](AccessPoint& ap) { ap.radios[i].*flag = on; });
        });
        form->on_refresh([box, ed, i, flag] { box->setChecked(ed.get().radios[i].*flag); });
        row->addWidget(box);
    }
    row->addStretch(1);
}

/// What keeps its settings, who else sets them, and what the regulator takes it for.
void add_rights(Form* form, const AccessPointEditor& ed) {
    add_radio_boxes(form, ed, tr("Locked"), "locked",
                    tr("Channel, width and power stay as they are, whatever is worked out"), &Radio::locked,
                    tr("Lock radio of access point %1"));
    add_radio_boxes(form, ed, tr("Automatic"), "automatic",
                    tr("A controller chooses channel or power itself, and may set other than the plan says"),
                    &Radio::automatic, tr("Leave radio of access point %1 to its controller"));
    const bool at_6 =
        std::ranges::any_of(ed.get().radios, [](const Radio& r) { return r.channel.band == band_6; });
    if (!at_6) return;
    QStringList names{tr("by its place")};
    for (DeviceClass c : device_classes) names << tr_mark(device_class_name(c));
    form->choice(
            form->row(tr("6 GHz class")), "apDeviceClass", names,
            [ed] { return ed.get().device_class ? static_cast<int>(*ed.get().device_class) + 1 : 0; },
            [ed](int i) {
                ed.change(tr("Change 6 GHz class of access point %1"), [&](AccessPoint& ap) {
                    ap.device_class = i == 0 ? std::nullopt
                                             : std::optional(device_classes[static_cast<std::size_t>(i) - 1]);
                });
            })
        ->setToolTip(tr("What the regulator takes it for: indoors low power, outdoors standard power where "
                        "the country has it, "
                        "else very low power"));
}

}  // namespace

Form* access_point_form(Workspace& w, QWidget* parent, AccessPointId id) {
    auto* form = new Form(w, parent);
    form->built_for([&w, id] {  // another model has other radios
        const AccessPoint* ap = find_access_point(w.project(), w.floor_id(), id);
        QString s = ap ? tr("model %1").arg(ap->model.value) : QString();
        for (std::size_t i = 0; ap && i < ap->radios.size(); ++i)
            s += QString(" %1/%2/%3")
                     .arg(int{ap->radios[i].channel.band.index})
                     .arg(ap->radios[i].channel.width_mhz)
                     .arg(ap->radios[i].antenna.value != 0);
        if (ap)
            s += QString(" %1/%2").arg(ap->source ? static_cast<int>(*ap->source) : -1).arg(ap->alternative);
        s += QString(" %1 %2 %3")
                 .arg(w.activity().step() == Step::spectrum)
                 .arg(has_demand(w.project()))
                 .arg(reinterpret_cast<quintptr>(w.project().demand.networks.identity()));
        for (const auto& [closet, name] : closets_by_name(w.project()))
            s += QString(" %1%2").arg(closet.value).arg(name);
        s += QString(" %1").arg(building_with(w.project(), w.floor_id()).axes.empty());
        return s + QString(" %1").arg(reinterpret_cast<quintptr>(w.project().models.identity()));
    });
    const AccessPointEditor ed(w, id);
    const QString m = w.units() == LengthUnits::metres ? "m" : "";
    auto* head = new BadgeHead(w, id);
    form->widget(head);
    form->on_refresh([head] { head->update(); });

    if (w.activity().step() == Step::spectrum) {
        form->group(tr("Where it could go"));
        form->widget(new WhereItCouldGo(w));
    }
    form->group(tr("Radios"));
    auto* table = new QWidget;
    auto* grid = new QGridLayout(table);
    grid->setContentsMargins(0, 0, 0, 0);
    grid->setHorizontalSpacing(3);
    grid->setVerticalSpacing(3);
    const QString heads[] = {"", "", "", tr("channel"), "MHz", "dBm", "EIRP"};
    for (int c = 3; c < 7; ++c) {
        auto* label = new QLabel(heads[c]);
        label->setObjectName("small");
        label->setAlignment(c == 6 ? Qt::AlignRight : Qt::AlignLeft);
        grid->addWidget(label, 0, c);
    }
    for (std::size_t i = 0; i < ed.get().radios.size(); ++i)
        add_radio(form, grid, static_cast<int>(i) + 1, ed, i);
    grid->setColumnStretch(3, 5);
    grid->setColumnStretch(4, 4);
    form->widget(table);
    add_rights(form, ed);
    for (std::size_t i = 0; i < ed.get().radios.size(); ++i) add_antenna(form, ed, i);
    add_power(form, ed);
    add_cable(form, ed);

    busy_hour_rows(*form, w, id);
    form->group(tr("If it fails"));
    auto* failure = form->text(tr("Unserved"), [&w, id] {
        if (!w.results().prediction()) return QString();
        QStringList bands_lost;
        for (BandId b : w.shown().map().bands.list()) {
            const Area lost = lost_without(w.project(), w.results().prediction()->site, id, b);
            if (lost.demanded_m2 <= 0) continue;
            bands_lost << tr("%1 of the site at %2 GHz")
                              .arg(render::percent(lost.share_met()), QString::fromStdString(band(b).name));
        }
        return bands_lost.join("\n");
    });
    failure->setObjectName("apFailure");
    failure->setToolTip(
        tr("The demanded area that has the signal asked for only from this access point, in the bands of the "
           "map. The lens Signal after a failure shows what is left when the selected ones fail."));

    form->group(tr("Mount"));
    auto* row = form->row(tr("Position"));
    form->length_field(
        row, "apX", "x", [ed] { return ed.get().position.x; },
        [ed](double v) {
            ed.change(tr("Move access point %1"), [&](AccessPoint& ap) { ap.position.x = v; });
        });
    form->length_field(
        row, "apY", "y", [ed] { return ed.get().position.y; },
        [ed](double v) {
            ed.change(tr("Move access point %1"), [&](AccessPoint& ap) { ap.position.y = v; });
        });
    const auto by_axes = [&w, ed] {
        return QString::fromStdString(axes_text(w.project(), *w.floor(), ed.get().position));
    };
    if (!by_axes().isEmpty()) form->text(tr("By axes"), by_axes);
    form->choice(
        form->row(tr("On")), "apMount", {tr("Ceiling"), tr("Wall"), tr("Pole"), tr("Desk")},
        [ed] { return static_cast<int>(ed.get().mount); },
        [ed](int i) {
            ed.change(tr("Mount access point %1"),
                      [&](AccessPoint& ap) { ap.mount = static_cast<Mount>(i); });
        });
    form->length_field(
        form->row(tr("Height")), "apHeight", m, [ed] { return ed.get().height_m; },
        [ed](double v) { ed.change(tr("Raise access point %1"), [&](AccessPoint& ap) { ap.height_m = v; }); },
        limits::mounting_m);
    row = form->row(tr("Azimuth, tilt"));
    auto* azimuth = form->number_field(
        row, "apAzimuth", "°", 0, [ed] { return ed.get().azimuth_deg; },
        [ed](double v) {
            ed.change(tr("Aim access point %1"), [&](AccessPoint& ap) { ap.azimuth_deg = v; });
        },
        limits::angle_deg);
    auto* tilt = form->number_field(
        row, "apTilt", "°", 0, [ed] { return ed.get().downtilt_deg; },
        [ed](double v) {
            ed.change(tr("Aim access point %1"), [&](AccessPoint& ap) { ap.downtilt_deg = v; });
        },
        limits::tilt_deg);
    azimuth->setAccessibleName(tr("Azimuth"));
    tilt->setAccessibleName(tr("Tilt"));

    network_rows(*form, w, id);
    form->group(tr("Gear"));
    auto* open_gear = new QPushButton(tr("Look at the model"));
    open_gear->setObjectName("apGear");
    open_gear->setToolTip(tr("On the page of gear, where it can be changed and compared"));
    QObject::connect(open_gear, &QPushButton::clicked, form,
                     [&w, ed] { emit w.wishes().gear_page(ed.get().model); });
    QStringList names;
    for (const AccessPointModel& one : *w.project().models) names << QString::fromStdString(one.name);
    form->choice(
        form->row(tr("Model")), "apModel", names,
        [ed, &w] {
            const auto& list = *w.project().models;
            return static_cast<int>(
                std::find_if(list.begin(), list.end(), [&](auto& one) { return one.id == ed.get().model; }) -
                list.begin());
        },
        [ed, &w](int i) {
            const AccessPointModel& to = (*w.project().models)[static_cast<std::size_t>(i)];
            std::vector<Said> changed;
            ed.change(tr("Change model of access point %1"),
                      [&](AccessPoint& ap) { ap = as_model(w.project(), ap, to, changed); });
            if (changed.empty()) return;
            QStringList all;
            for (const Said& s : changed) all << said_text(s);
            w.tell(tr("Not kept: %1").arg(all.join("; ")));
        });
    form->widget(open_gear);
    auto* compare = new QPushButton(tr("Hold against others"));
    compare->setObjectName("apCandidates");
    compare->setToolTip(tr("Other models, antennas and settings at this place, side by side"));
    QObject::connect(compare, &QPushButton::clicked, form, [&w] { emit w.wishes().candidates(); });
    form->widget(compare);
    form->number_field(
        form->row(tr("Number")), "apNumber", "", 0, [ed] { return ed.get().number; },
        [ed, &w, id](double v) {
            for (const auto& placed : placed_access_points(w.project()))
                if (placed.access_point->number == static_cast<int>(v) && placed.access_point->id != id)
                    throw Error(say("there is an access point %1 already", static_cast<int>(v)));
            ed.change(tr("Renumber access point %1"),
                      [&](AccessPoint& ap) { ap.number = static_cast<int>(v); });
        },
        {1, 9999});
    on_site_rows(*form, w, id);
    form->stretch();
    return form;
}

}  // namespace yemvo::app
