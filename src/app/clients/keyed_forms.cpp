// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/clients/keyed_forms.h"

#include <QCheckBox>
#include <QComboBox>

#include "app/forms/form_parts.h"
#include "capacity/demand_table.h"
#include "project/demand_edits.h"
#include "project/demand_place.h"
#include "render/text_style.h"
#include "render/tr.h"

namespace yemvo::app {
namespace {

const ClientProfile& client_with(const Project& p, const std::string& key) { return client(p, key); }
const Application& application_with(const Project& p, const std::string& key) {
    return *find_application(p.demand, key);
}
const Network& network_with(const Project& p, const std::string& key) { return *find_network(p.demand, key); }

/// Rows that read from one kind of thing and put a changed copy back.
template <class Thing>
class Rows {
public:
    using Get = const Thing& (*)(const Project&, const std::string&);
    using Put = void (*)(Project&, const Thing&);
    Rows(Form& form, std::string key, QString label, Get get, Put put)
        : form_(form),
          w_(form.workspace()),
          key_(std::move(key)),
          label_(std::move(label)),
          get_(get),
          put_(put) {}

    const Thing& thing() const { return get_(w_.project(), key_); }
    void change(const std::function<void(Thing&)>& how) const {
        w_.edit(label_, [&](Project& p) {
            Thing copy = get_(p, key_);
            how(copy);
            put_(p, copy);
        });
    }
    void name(const QString& object) const {
        form_.name_field(
            form_.row(tr("Name")), object,
            [rows = *this] { return QString::fromStdString(rows.thing().name); },
            [rows = *this](const QString& text) {
                rows.change([&](Thing& t) { t.name = text.toStdString(); });
            });
    }
    template <class Number>
    void number(QHBoxLayout* row, const QString& object, const QString& unit, int decimals,
                Number Thing::*member, Range range, double scale = 1) const {
        form_.number_field(
            row, object, unit, decimals,
            [rows = *this, member, scale] { return scale * static_cast<double>(rows.thing().*member); },
            [rows = *this, member, scale](double v) {
                rows.change([&](Thing& t) {
                    if constexpr (std::is_integral_v<Number>)
                        t.*member = static_cast<Number>(std::lround(v / scale));
                    else
                        t.*member = v / scale;
                });
            },
            range);
    }
    /// A tick for each band.
    void bands(const QString& label, const QString& object, BandSet Thing::*member) const {
        auto* row = form_.row(label);
        for (const Band& b : yemvo::bands()) {
            auto* tick = new QCheckBox(QString::fromStdString(b.name), &form_);
            tick->setObjectName(object + QString::fromStdString(b.name));
            row->addWidget(tick);
            QObject::connect(tick, &QCheckBox::clicked, &form_,
                             [rows = *this, member, id = b.id, tick](bool on) {
                                 rows.change([&](Thing& t) { t.*member = (t.*member).with(id, on); });
                                 tick->setChecked((rows.thing().*member).contains(id));
                             });
            form_.on_refresh([rows = *this, member, id = b.id, tick] {
                tick->setChecked((rows.thing().*member).contains(id));
            });
        }
        row->addStretch(1);
    }
    Form& form() const { return form_; }
    Workspace& workspace() const { return w_; }

private:
    Form& form_;
    Workspace& w_;
    std::string key_;
    QString label_;
    Get get_;
    Put put_;
};

const std::vector<std::string>& standards() {
    static const std::vector<std::string> all{"n", "ac", "ax", "be"};
    return all;
}
QStringList standard_names() {
    QStringList names;
    for (const std::string& s : standards()) names << "802.11" + QString::fromStdString(s);
    return names;
}

void set_width(ClientProfile& c, BandId id, int width_mhz) {
    std::erase_if(c.widest_mhz, [&](const auto& w) { return w.first == id; });
    if (width_mhz > 0) c.widest_mhz.emplace_back(id, width_mhz);
    std::sort(c.widest_mhz.begin(), c.widest_mhz.end());
}
void set_power(ClientProfile& c, BandId id, double power_dbm) {
    std::erase_if(c.own_power_dbm, [&](const auto& w) { return w.first == id; });
    if (power_dbm != c.power_dbm) c.own_power_dbm.emplace_back(id, power_dbm);
    std::sort(c.own_power_dbm.begin(), c.own_power_dbm.end());
}

QStringList width_names(BandId id, std::vector<int>& widths) {
    widths = {0};
    QStringList names{tr("not known")};
    for (int w : channel_widths_mhz())
        if (!channels(id, w).empty()) {
            widths.push_back(w);
            names << QString("%1 MHz").arg(w);
        }
    return names;
}

void client_bands(const Rows<ClientProfile>& rows) {
    Form& form = rows.form();
    form.group(tr("Bands: widest channel, power"));
    for (const Band& b : yemvo::bands()) {
        const QString name = QString::fromStdString(b.name);
        auto* row = form.row(name + " GHz");
        std::vector<int> widths;
        const QStringList names = width_names(b.id, widths);
        form.choice(
            row, "widest" + name, names,
            [rows, id = b.id, widths] {
                const auto at = std::find(widths.begin(), widths.end(), rows.thing().widest(id));
                return at == widths.end() ? 0 : static_cast<int>(at - widths.begin());
            },
            [rows, id = b.id, widths](int i) {
                rows.change([&](ClientProfile& c) { set_width(c, id, widths[static_cast<std::size_t>(i)]); });
            });
        form.number_field(
            row, "power" + name, "dBm", 0, [rows, id = b.id] { return rows.thing().power_in_dbm(id); },
            [rows, id = b.id](double v) { rows.change([&](ClientProfile& c) { set_power(c, id, v); }); },
            limits::power_dbm);
    }
}

/// Names of zones and rows of devices.
QStringList places_where(const Project& project, const std::function<bool(const ZoneDemand&)>& holds) {
    QStringList names;
    for (const Floor* f : all_floors(project))
        for (const DemandPlace& place : told_places(*f))
            if (holds(place.demand())) names << QString::fromStdString(place.name());
    return names;
}

void uses(Form& form, Mix ZoneDemand::*mix, const std::string& key) {
    form.group(tr("Where it is counted on"));
    form.text(tr("Zones"), [&w = form.workspace(), mix, key] {
        const QStringList named =
            places_where(w.project(), [&](const ZoneDemand& d) { return share_of(d.*mix, key) > 0; });
        return named.empty() ? tr("none") : named.join(", ");
    });
}

}  // namespace

Form* client_form(Workspace& w, QWidget* parent, const std::string& key) {
    auto* form = new Form(w, parent);
    const Rows<ClientProfile> rows(*form, key, tr("Change client profile"), client_with, replace_client);
    title(*form, tr("Client profile"));
    rows.name("clientName");
    form->choice(
        form->row(tr("Standard")), "clientStandard", standard_names(),
        [rows] {
            const auto at = std::ranges::find(standards(), rows.thing().standard);
            return at == standards().end() ? 0 : static_cast<int>(at - standards().begin());
        },
        [rows](int i) {
            rows.change([&](ClientProfile& c) { c.standard = standards()[static_cast<std::size_t>(i)]; });
        });
    rows.number(form->row(tr("Streams")), "clientStreams", {}, 0, &ClientProfile::streams, limits::streams);
    client_bands(rows);
    form->choice(
        form->row(tr("40 MHz at 2.4")), "refuses40", {tr("Accepts it"), tr("Refuses it: radio falls to 20")},
        [rows] { return rows.thing().refuses_40_at_24 ? 1 : 0; },
        [rows](int i) { rows.change([&](ClientProfile& c) { c.refuses_40_at_24 = i == 1; }); });
    form->group(tr("Receiver and antennas"));
    rows.number(form->row(tr("Noise figure")), "clientNoise", "dB", 1, &ClientProfile::noise_figure_db,
                limits::noise_figure_db);
    rows.number(form->row(tr("Antenna gain")), "clientGain", "dBi", 1, &ClientProfile::gain_dbi,
                limits::gain_dbi);
    form->group(tr("How it chooses"));
    form->choice(
        form->row(tr("Band")), "clientChoice", {tr("Highest heard well"), tr("Strongest signal")},
        [rows] { return rows.thing().prefers_higher ? 0 : 1; },
        [rows](int i) { rows.change([&](ClientProfile& c) { c.prefers_higher = i == 0; }); });
    rows.number(form->row(tr("Well enough")), "clientEnough", "dBm", 0, &ClientProfile::well_enough_dbm,
                limits::leaves_dbm);
    rows.number(form->row(tr("Moves on")), "clientLeaves", tr("dBm, below"), 0, &ClientProfile::leaves_dbm,
                limits::leaves_dbm);
    uses(*form, &ZoneDemand::profiles, key);
    form->stretch();
    return form;
}

Form* application_form(Workspace& w, QWidget* parent, const std::string& key) {
    auto* form = new Form(w, parent);
    const Rows<Application> rows(*form, key, tr("Change application"), application_with, replace_application);
    title(*form, tr("Application"));
    rows.name("applicationName");
    form->group(tr("What it sends"));
    auto* row = form->row(tr("While active"));
    rows.number(row, "appDown", tr("↓ Mbit/s"), 2, &Application::down_mbps, limits::demand_mbps);
    rows.number(row, "appUp", tr("↑ Mbit/s"), 2, &Application::up_mbps, limits::demand_mbps);
    rows.number(form->row(tr("Active")), "appActive", tr("% of the time"), 0, &Application::active, {0, 100},
                100);
    form->text(tr("In the mean"), [rows] {
        return tr("%1 Mbit/s down, %2 up")
            .arg(render::figure(rows.thing().mean_down_mbps(), 3),
                 render::figure(rows.thing().mean_up_mbps(), 3));
    });
    row = form->row(tr("Packets"));
    rows.number(row, "appPacketDown", tr("↓ B"), 0, &Application::packet_down_bytes, limits::packet_bytes);
    rows.number(row, "appPacketUp", tr("↑ B"), 0, &Application::packet_up_bytes, limits::packet_bytes);
    row = form->row(tr("Together"));
    rows.number(row, "appBurstDown", tr("↓ packets"), 0, &Application::burst_down, limits::burst);
    rows.number(row, "appBurstUp", tr("↑ packets"), 0, &Application::burst_up, limits::burst);
    form->note(
        tr("Packets that come together share a turn on the air: the more of them, the less air they cost."));
    form->group(tr("What it needs"));
    form->choice(
        form->row(tr("Delay")), "appDelay",
        {tr("Patient: takes what it gets"), tr("Prompt: somebody waits"), tr("Real time: speech")},
        [rows] { return static_cast<int>(rows.thing().delay); },
        [rows](int i) { rows.change([&](Application& a) { a.delay = static_cast<DelayClass>(i); }); });
    rows.number(form->row(tr("Signal")), "appSignal", tr("dBm, at least"), 0, &Application::least_signal_dbm,
                limits::needed_dbm);
    rows.number(form->row(tr("PHY rate down")), "appRate", tr("Mbit/s, at least"), 0,
                &Application::least_rate_mbps, limits::demand_mbps);
    uses(*form, &ZoneDemand::applications, key);
    form->stretch();
    return form;
}

Form* network_form(Workspace& w, QWidget* parent, const std::string& key) {
    static const std::vector<double> rates{1, 2, 5.5, 6, 9, 11, 12, 18, 24, 36, 48, 54};
    auto* form = new Form(w, parent);
    const Rows<Network> rows(*form, key, tr("Change network"), network_with, replace_network);
    title(*form, tr("Network"));
    rows.name("networkName");
    rows.bands(tr("Bands"), "networkBand", &Network::bands);
    rows.bands(tr("Steers to"), "networkSteer", &Network::steer_to);
    form->note(tr("Nothing ticked: clients choose their band themselves"));
    form->group(tr("On the air"));
    QStringList names;
    for (double r : rates) names << render::figure(r, r == 5.5 ? 1 : 0) + " Mbit/s";
    form->choice(
        form->row(tr("Lowest rate")), "networkLowest", names,
        [rows] {
            const auto at = std::find(rates.begin(), rates.end(), rows.thing().lowest_rate_mbps);
            return at == rates.end() ? 0 : static_cast<int>(at - rates.begin());
        },
        [rows](int i) {
            rows.change([&](Network& n) { n.lowest_rate_mbps = rates[static_cast<std::size_t>(i)]; });
        });
    rows.number(form->row(tr("Beacon")), "networkBeacon", tr("B long"), 0, &Network::beacon_bytes,
                limits::beacon_bytes);
    form->text(tr("It costs"), [rows] {
        const Network& n = rows.thing();
        const BandId band = n.bands.empty() ? band_5 : n.bands.first();
        const double share =
            beacon_share(n.beacon_bytes, basic_rate_in(band, n.lowest_rate_mbps), 1, 1, band);
        return tr("%1 of the air for its beacons, at each radio").arg(render::percent(share, 2));
    });
    form->group(tr("Limits"));
    auto* row = form->row(tr("Each at most"));
    rows.number(row, "networkDown", tr("↓ Mbit/s"), 1, &Network::limit_down_mbps, limits::demand_mbps);
    rows.number(row, "networkUp", tr("↑ Mbit/s"), 1, &Network::limit_up_mbps, limits::demand_mbps);
    rows.number(form->row(tr("Addresses")), "networkAddresses", tr("to give out"), 0, &Network::addresses,
                limits::counted);
    form->note(tr("0: no limit, not told"));
    form->group(tr("Who uses it"));
    form->text(tr("Zones"), [&w, key] {
        const QStringList named =
            places_where(w.project(), [&](const ZoneDemand& d) { return d.network == key; });
        return named.empty() ? tr("none by name") : named.join(", ");
    });
    form->stretch();
    return form;
}

}  // namespace yemvo::app
