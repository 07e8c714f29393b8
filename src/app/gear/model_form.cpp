// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/gear/model_form.h"

#include <QCheckBox>
#include <QHBoxLayout>
#include <QLabel>
#include <QPushButton>
#include <QTableWidget>
#include <algorithm>

#include "app/forms/form.h"
#include "app/gear/antenna_rows.h"
#include "app/gear/body_rows.h"
#include "app/gear/power_table.h"
#include "app/model/workspace.h"
#include "base/error.h"
#include "project/gear_library.h"
#include "render/text_style.h"
#include "render/tr.h"
#include "wireless/channel.h"
#include "wireless/rates.h"

namespace yemvo::app {
namespace {

using ModelAccess = ThingAccess<AccessPointModel>;

constexpr Mount every_mount[] = {Mount::ceiling, Mount::wall, Mount::pole, Mount::desk};

QStringList band_names() {
    QStringList names;
    for (const Band& b : bands()) names << QString::fromStdString(b.name) + " GHz";
    return names;
}

QString bands_of(const RadioModel& r) {
    QStringList names;
    for (const RadioBand& b : r.bands) names << QString::fromStdString(band(b.band).name);
    return names.join("/");
}

QPushButton* small_button(Form* form, QHBoxLayout* row, const QString& words, const char* object,
                          const QString& tip, const std::function<void()>& run) {
    auto* b = new QPushButton(words);
    b->setObjectName(object);
    b->setToolTip(tip);
    QObject::connect(b, &QPushButton::clicked, form, run);
    row->addWidget(b, 1);
    return b;
}

void add_identity(Form* form, const ModelAccess& m) {
    form->group(tr("What it is"));
    form->name_field(
        form->row(tr("Name")), "modelName", [m] { return QString::fromStdString(m.get().name); },
        [m](const QString& v) {
            m.change(tr("Rename model"), [&](AccessPointModel& x) { x.name = v.toStdString(); });
        });
    auto* row = form->row(tr("Mount"));
    QStringList mounts;
    for (Mount mount : every_mount) mounts << tr_first(mount_name(mount));
    form->choice(
        row, "modelMount", mounts, [m] { return static_cast<int>(m.get().mount); },
        [m](int i) {
            m.change(tr("Change mount of model"), [&](AccessPointModel& x) {
                x.mount = static_cast<Mount>(i);
                std::erase(x.mounts, x.mount);
            });
        });
    form->length_field(
        row, "modelHeight", form->workspace().units() == LengthUnits::metres ? "m" : "",
        [m] { return m.get().mount_height_m; },
        [m](double v) {
            m.change(tr("Change height of model"), [&](AccessPointModel& x) { x.mount_height_m = v; });
        },
        limits::mount_height_m);
    row = form->row(tr("Also on"));
    for (Mount mount : every_mount) {
        auto* box = new QCheckBox(tr_mark(mount_name(mount)));
        box->setObjectName("modelAlso" + QString::number(static_cast<int>(mount)));
        QObject::connect(box, &QCheckBox::clicked, form, [m, mount](bool on) {
            m.change(tr("Change mounts of model"), [&](AccessPointModel& x) {
                std::erase(x.mounts, mount);
                if (on) x.mounts.push_back(mount);
            });
        });
        form->on_refresh([box, m, mount] {
            box->setEnabled(m.get().mount != mount);
            box->setChecked(m.get().mount == mount || std::ranges::count(m.get().mounts, mount) > 0);
        });
        row->addWidget(box);
    }
    add_body_rows(
        form, [m]() -> const Body& { return m.get().body; },
        [m](const QString& label, const std::function<void(Body&)>& how) {
            m.change(label, [&](AccessPointModel& x) { how(x.body); });
        });
}

RadioModel fresh_radio(const AccessPointModel& m) {
    RadioModel radio = m.radios.back();
    for (const Band& b : bands())
        if (std::ranges::none_of(m.radios,
                                 [&](const RadioModel& r) { return r.bands.front().band == b.id; })) {
            RadioBand band = radio.bands.front();
            band.band = b.id;
            radio.bands = {band};
            return radio;
        }
    radio.bands.resize(1);
    return radio;
}

void add_radio_choice(Form* form, const ModelAccess& m, ShownBand shown,
                      const std::function<void(ShownBand)>& choose) {
    form->group(tr("Radios"));
    std::vector<QString> names;
    for (const RadioModel& r : m.get().radios) names.push_back(bands_of(r));
    add_chips(form, tr("Radio"), "modelRadio", names, static_cast<int>(shown.radio), [choose](int i) {
        choose({static_cast<std::size_t>(i), 0});
    });
    auto* row = form->row("");
    small_button(form, row, tr("Add radio"), "addRadio", tr("A further radio, like the last one"),
                 [m, choose] {
                     const std::size_t count = m.get().radios.size();
                     m.change(tr("Add radio"),
                              [](AccessPointModel& x) { x.radios.push_back(fresh_radio(x)); });
                     if (m.get().radios.size() > count) choose({count, 0});
                 })
        ->setEnabled(m.get().radios.size() < limits::radios);
    small_button(form, row, tr("Remove radio"), "removeRadio", {}, [m, shown, choose] {
        m.change(tr("Remove radio"), [&](AccessPointModel& x) {
            x.radios.erase(x.radios.begin() + static_cast<std::ptrdiff_t>(shown.radio));
            for (PowerRow& p : x.power)
                for (PowerAlternative& a : p.alternatives) {
                    std::erase_if(a.limits, [&](const RadioLimit& l) {
                        return l.radio == static_cast<int>(shown.radio);
                    });
                    for (RadioLimit& l : a.limits) l.radio -= l.radio > static_cast<int>(shown.radio);
                }
        });
        choose({0, 0});
    })->setEnabled(m.get().radios.size() > 1);

    const std::size_t radio = shown.radio;
    row = form->row(tr("Standard"));
    const std::vector<Standard> standards{Standard::n, Standard::ac, Standard::ax, Standard::be};
    QStringList standard_names;
    for (Standard s : standards) standard_names << "802.11" + QString::fromLatin1(standard_name(s).data());
    form->choice(
        row, "radioStandard", standard_names,
        [m, radio] {
            const auto s = find_standard(m.get().radios[radio].standard);
            return s ? static_cast<int>(*s) : -1;
        },
        [m, radio, standards](int i) {
            m.change(tr("Change standard"), [&](AccessPointModel& x) {
                x.radios[radio].standard = standard_name(standards[static_cast<std::size_t>(i)]);
            });
        });
    form->number_field(
        row, "radioClients", tr("clients"), 0, [m, radio] { return m.get().radios[radio].most_clients; },
        [m, radio](double v) {
            m.change(tr("Change most clients"),
                     [&](AccessPointModel& x) { x.radios[radio].most_clients = static_cast<int>(v); });
        },
        limits::most_clients);
}

/// The bands that this radio can switch between.
void add_band_choice(Form* form, const ModelAccess& m, ShownBand shown,
                     const std::function<void(ShownBand)>& choose) {
    const RadioModel& r = m.get().radios[shown.radio];
    std::vector<QString> names;
    for (const RadioBand& b : r.bands) names.push_back(QString::fromStdString(band(b.band).name) + " GHz");
    add_chips(form, tr("Works at"), "radioBand", names, static_cast<int>(shown.band), [choose, shown](int i) {
        choose({shown.radio, static_cast<std::size_t>(i)});
    });
    auto* row = form->row("");
    small_button(form, row, tr("Add a band"), "addBand", tr("The radio can be switched to it instead"),
                 [m, shown, choose] {
                     const std::size_t count = m.get().radios[shown.radio].bands.size();
                     m.change(tr("Add band"), [&](AccessPointModel& x) {
                         auto& list = x.radios[shown.radio].bands;
                         for (const Band& b : bands())
                             if (std::ranges::find(list, b.id, &RadioBand::band) == list.end()) {
                                 list.push_back(list.back());
                                 list.back().band = b.id;
                                 return;
                             }
                     });
                     if (m.get().radios[shown.radio].bands.size() > count) choose({shown.radio, count});
                 })
        ->setEnabled(r.bands.size() < band_count());
    small_button(form, row, tr("Remove band"), "removeBand", {}, [m, shown, choose] {
        m.change(tr("Remove band"), [&](AccessPointModel& x) {
            auto& list = x.radios[shown.radio].bands;
            list.erase(list.begin() + static_cast<std::ptrdiff_t>(shown.band));
        });
        choose({shown.radio, 0});
    })->setEnabled(r.bands.size() > 1);
}

QString levels_text(const PowerRange& p) {
    QStringList all;
    for (double level : p.levels_dbm) all << render::figure(level, level == std::round(level) ? 0 : 1);
    return all.join("; ");
}

PowerRange levels_typed(const QString& typed, PowerRange now) {
    now.levels_dbm.clear();
    for (const QString& part : typed.split(';', Qt::SkipEmptyParts))
        if (!part.trimmed().isEmpty())
            now.levels_dbm.push_back(
                parse_number(part, limits::power_dbm.low, limits::power_dbm.high, "dBm"));
    std::ranges::sort(now.levels_dbm);
    now.levels_dbm.erase(std::unique(now.levels_dbm.begin(), now.levels_dbm.end()), now.levels_dbm.end());
    if (now.levels_dbm.empty()) return now;
    now.low_dbm = now.levels_dbm.front();
    now.high_dbm = now.levels_dbm.back();
    return now;
}

void add_band(Form* form, const ModelAccess& m, ShownBand shown, const PatternSources& sources) {
    const auto get = [m, shown]() -> const RadioBand& {
        return m.get().radios[shown.radio].bands[shown.band];
    };
    const auto change = [m, shown](const QString& label, const std::function<void(RadioBand&)>& how) {
        m.change(label, [&](AccessPointModel& x) { how(x.radios[shown.radio].bands[shown.band]); });
    };
    form->choice(
        form->row(tr("Band")), "bandBand", band_names(), [get] { return static_cast<int>(get().band.index); },
        [change](int i) {
            change(tr("Change band"), [&](RadioBand& b) {
                b.band = bands()[static_cast<std::size_t>(i)].id;
                while (channels(b.band, b.widest_mhz).empty()) b.widest_mhz /= 2;
            });
        });
    auto* row = form->row(tr("Chains"));
    form->name_field(
        row, "bandChains", [get] { return QString::fromStdString(chains_text(get().chains)); },
        [change](const QString& v) {
            const auto chains = parse_chains(v.toStdString());
            if (!chains)
                throw Error(say("'%1' is no number of chains", v.toStdString()), {},
                            say("Write it as 4x4:4"));
            change(tr("Change chains"), [&](RadioBand& b) { b.chains = *chains; });
        });
    std::vector<int> widths;
    QStringList width_names;
    for (int w : channel_widths_mhz())
        if (!channels(get().band, w).empty()) {
            widths.push_back(w);
            width_names << tr("%1 MHz").arg(w);
        }
    form->choice(
        row, "bandWidest", width_names,
        [get, widths] {
            return static_cast<int>(std::ranges::find(widths, get().widest_mhz) - widths.begin());
        },
        [change, widths](int i) {
            change(tr("Change widest channel"),
                   [&](RadioBand& b) { b.widest_mhz = widths[static_cast<std::size_t>(i)]; });
        });
    row = form->row(tr("Power"));
    const auto power = [&](const char* object, const QString& unit, double PowerRange::*field, Range range) {
        form->number_field(
            row, object, unit, 0, [get, field] { return get().power.*field; },
            [change, field](double v) {
                change(tr("Change power range"), [&](RadioBand& b) {
                    b.power.levels_dbm.clear();
                    b.power.*field = v;
                });
            },
            range);
    };
    power("bandPowerLow", tr("from"), &PowerRange::low_dbm, limits::power_dbm);
    power("bandPowerHigh", tr("to dBm"), &PowerRange::high_dbm, limits::power_dbm);
    power("bandPowerStep", tr("by dB"), &PowerRange::step_db, limits::power_step_db);
    form->name_field(
            form->row(tr("or levels")), "bandLevels", [get] { return levels_text(get().power); },
            [change](const QString& v) {
                change(tr("Change power levels"), [&](RadioBand& b) { b.power = levels_typed(v, b.power); });
            })
        ->setPlaceholderText(tr("5; 8; 11; 14 dBm"));
    row = form->row(tr("Noise figure"));
    form->number_field(
        row, "bandNoise", "dB", 1, [get] { return get().noise_figure_db; },
        [change](double v) {
            change(tr("Change noise figure"), [&](RadioBand& b) { b.noise_figure_db = v; });
        },
        limits::noise_figure_db);
    form->name_field(
            form->row(tr("Connector")), "bandConnector",
            [get] { return QString::fromStdString(get().connector); },
            [change](const QString& v) {
                change(tr("Change connector"), [&](RadioBand& b) { b.connector = v.toStdString(); });
            })
        ->setPlaceholderText(tr("none: its antenna is built in"));
    form->group(tr("Antenna"));
    add_antenna_rows(form, {[get]() -> const Antenna& { return get().antenna; },
                            [change](const QString& label, const std::function<void(Antenna&)>& how) {
                                change(label, [&](RadioBand& b) { how(b.antenna); });
                            },
                            sources.file, sources.chart, band(get().band).reference_mhz});
}

void add_power(Form* form, const ModelAccess& m) {
    form->group(tr("Power sources"));
    auto* table = power_table(m.get());
    form->widget(table);
    form->on_refresh([table, m] { fill_power(table, m.get()); });
    const auto take = [form, m](const std::function<void()>& typed) {
        try {
            typed();
        } catch (const Error& fault) {
            form->workspace().tell(fault_text(fault), true);
        }
        form->refresh();
    };
    QObject::connect(table, &QTableWidget::cellChanged, form, [table, m, take] {
        take([&] {
            const auto rows = power_in(table, m.get());
            m.change(tr("Change power table"), [&](AccessPointModel& x) { x.power = rows; });
        });
    });
    auto* buttons = new QWidget;
    auto* row = new QHBoxLayout(buttons);
    row->setContentsMargins(0, 0, 0, 0);
    row->setSpacing(6);
    form->widget(buttons);
    small_button(form, row, tr("Add source"), "addSource", tr("The weakest one that is not there yet"), [m] {
        m.change(tr("Add power source"), [](AccessPointModel& x) {
            for (PowerSource s : power_sources)
                if (!power_row(x, s))
                    return void(x.power.push_back({s, available_w(s).value_or(25.5), {{"", {}}}}));
        });
    });
    small_button(form, row, tr("Add a way"), "addWay",
                 tr("Another way of using the source of the chosen row"), [m, table] {
                     const int chosen = std::max(0, table->currentRow());
                     m.change(tr("Add way of using a source"), [&](AccessPointModel& x) {
                         int at = 0;
                         for (PowerRow& r : x.power) {
                             at += static_cast<int>(r.alternatives.size());
                             if (chosen < at)
                                 return void(r.alternatives.push_back({tr("another way").toStdString(), {}}));
                         }
                     });
                 });
    small_button(form, row, tr("Remove"), "removeWay", tr("The chosen row"), [m, table] {
        const int chosen = table->currentRow();
        m.change(tr("Remove row of power table"), [&](AccessPointModel& x) {
            int at = 0;
            for (PowerRow& r : x.power)
                for (std::size_t i = 0; i < r.alternatives.size(); ++i)
                    if (at++ == chosen) {
                        r.alternatives.erase(r.alternatives.begin() + static_cast<std::ptrdiff_t>(i));
                        std::erase_if(x.power, [](const PowerRow& p) { return p.alternatives.empty(); });
                        return;
                    }
        });
    });
}

void add_shown_antenna_band(Form* form, const ThingAccess<AntennaModel>& a, ShownBand shown,
                            const std::function<void(ShownBand)>& choose, const PatternSources& sources) {
    form->group(tr("Bands"));
    std::vector<QString> names;
    for (const AntennaBand& b : a.get().bands)
        names.push_back(QString::fromStdString(band(b.band).name) + " GHz");
    add_chips(form, tr("Made for"), "antennaBand", names, static_cast<int>(shown.band), [choose](int i) {
        choose({0, static_cast<std::size_t>(i)});
    });
    auto* row = form->row("");
    small_button(form, row, tr("Add a band"), "addBand", {}, [a, choose] {
        const std::size_t count = a.get().bands.size();
        a.change(tr("Add band"), [](AntennaModel& x) {
            for (const Band& b : bands())
                if (std::ranges::find(x.bands, b.id, &AntennaBand::band) == x.bands.end())
                    return void(x.bands.push_back({b.id, x.bands.back().antenna}));
        });
        if (a.get().bands.size() > count) choose({0, count});
    })->setEnabled(a.get().bands.size() < band_count());
    small_button(form, row, tr("Remove band"), "removeBand", {}, [a, shown, choose] {
        a.change(tr("Remove band"), [&](AntennaModel& x) {
            x.bands.erase(x.bands.begin() + static_cast<std::ptrdiff_t>(shown.band));
        });
        choose({});
    })->setEnabled(a.get().bands.size() > 1);
    add_antenna_rows(form, {[a, shown]() -> const Antenna& { return a.get().bands[shown.band].antenna; },
                            [a, shown](const QString& label, const std::function<void(Antenna&)>& how) {
                                a.change(label, [&](AntennaModel& x) { how(x.bands[shown.band].antenna); });
                            },
                            sources.file, sources.chart, band(a.get().bands[shown.band].band).reference_mhz});
}

}  // namespace

Form* model_form(Workspace& w, const ModelAccess& m, ShownBand shown,
                 const std::function<void(ShownBand)>& choose, const PatternSources& sources) {
    auto* form = new Form(w);
    add_identity(form, m);
    add_radio_choice(form, m, shown, choose);
    add_band_choice(form, m, shown, choose);
    add_band(form, m, shown, sources);
    add_power(form, m);
    form->stretch();
    form->setAutoFillBackground(true);
    return form;
}

QString form_shape(const AccessPointModel& m, ShownBand shown) {
    QString shape = QString("%1 %2 %3 ").arg(m.id.value).arg(shown.radio).arg(shown.band);
    for (const RadioModel& r : m.radios) shape += bands_of(r) + " ";
    return shape + rows_for(m.radios[shown.radio].bands[shown.band].antenna);
}

Form* antenna_form(Workspace& w, const ThingAccess<AntennaModel>& a, ShownBand shown,
                   const std::function<void(ShownBand)>& choose, const PatternSources& sources) {
    auto* form = new Form(w);
    form->group(tr("What it is"));
    form->name_field(
        form->row(tr("Name")), "antennaName", [a] { return QString::fromStdString(a.get().name); },
        [a](const QString& v) {
            a.change(tr("Rename antenna"), [&](AntennaModel& x) { x.name = v.toStdString(); });
        });
    form->name_field(
        form->row(tr("Connector")), "antennaConnector",
        [a] { return QString::fromStdString(a.get().connector); },
        [a](const QString& v) {
            a.change(tr("Change connector"), [&](AntennaModel& x) { x.connector = v.toStdString(); });
        });
    add_body_rows(
        form, [a]() -> const Body& { return a.get().body; },
        [a](const QString& label, const std::function<void(Body&)>& how) {
            a.change(label, [&](AntennaModel& x) { how(x.body); });
        });
    add_shown_antenna_band(form, a, shown, choose, sources);
    form->stretch();
    form->setAutoFillBackground(true);
    return form;
}

QString form_shape(const AntennaModel& a, ShownBand shown) {
    QString shape = QString("antenna %1 %2 ").arg(a.id.value).arg(shown.band);
    for (const AntennaBand& b : a.bands) shape += QString::fromStdString(band(b.band).name) + " ";
    return shape + rows_for(a.bands[shown.band].antenna);
}

}  // namespace yemvo::app
