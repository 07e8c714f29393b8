// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/neighbours/neighbours_feature.h"

#include <QFile>
#include <QFileInfo>
#include <QSaveFile>
#include <variant>

#include "app/asking/asking.h"
#include "app/model/document.h"
#include "app/model/neighbours.h"
#include "app/model/wishes.h"
#include "app/plan/plan_view.h"
#include "capture/capture.h"
#include "project/neighbours_csv.h"
#include "project/project.h"
#include "render/tr.h"

namespace yemvo::app {
namespace {

/// More is no table that a person wrote.
constexpr qint64 most_bytes = 16 << 20;

using Heard = std::variant<std::shared_ptr<const HeardAir>, std::vector<Neighbour>>;

Heard read_file(const QString& file, const AtWork& at) {
    if (is_capture(file))
        return std::make_shared<const HeardAir>(read_capture(std::filesystem::path(file.toStdU16String()),
                                                             at.cancel(),
                                                             [&](double share) { at.tell(share); }));
    const std::string name = QFileInfo(file).fileName().toStdString();
    QFile in(file);
    if (!in.open(QIODevice::ReadOnly)) throw Error(Said(in.errorString().toStdString()), name, {});
    if (in.size() > most_bytes)
        throw Error(say("is too large for a table"), name, say("Choose another file"));
    return neighbours_from_csv(in.readAll().toStdString(), name);
}

}  // namespace

NeighboursFeature::NeighboursFeature(Shell& shell, PlanView& plan) : Feature(shell), plan_(plan) {
    shell.takes_dropped([this](const QStringList& files, QPoint at) { return take(files, at); });
    shell.works({[this] { return behind_.words(); }, [this] { behind_.stop(); }});
    connect(&behind_, &Behind::progressed, this, [this] { shell_.work_changed(); });
    connect(&workspace_.wishes(), &Wishes::hear, this, &NeighboursFeature::ask_to_read);
    connect(&workspace_.wishes(), &Wishes::write_heard, this, &NeighboursFeature::ask_to_write);
}

NeighboursFeature::~NeighboursFeature() { behind_.disconnect(); }

/// Only onto the plan itself: elsewhere a capture is looked at without any.
bool NeighboursFeature::take(const QStringList& files, QPoint global) {
    if (!workspace_.document().is_open() || !shell_.work_in_front() || shell_.view_in_front() != &plan_ ||
        !workspace_.floor() || files.size() != 1 || !is_capture(files.front()))
        return false;
    const QPointF on_plan = plan_.mapFromGlobal(QPointF(global));
    if (!QRectF(plan_.rect()).contains(on_plan)) return false;
    const Point at = plan_.map().to_floor(on_plan);
    const QString name = QFileInfo(files.front()).completeBaseName();
    read(files.front(), at, [this, at, name](std::vector<Neighbour> heard) {
        add_listening_place(workspace_, at, std::move(heard), name);
    });
    return true;
}

void NeighboursFeature::read(const QString& file, Point at, std::function<void(std::vector<Neighbour>)> use) {
    const FloorId floor = workspace_.floor_id();
    behind_.request(job(
        tr("Reading %1").arg(QFileInfo(file).fileName()),
        [file](const AtWork& work) { return read_file(file, work); },
        [this, floor, at, use](Heard heard) {
            if (!workspace_.document().is_open() || workspace_.floor_id() != floor)
                return workspace_.tell(tr("Another floor came into view: what was heard is not put down"),
                                       true);
            if (auto* air = std::get_if<std::shared_ptr<const HeardAir>>(&heard)) {
                std::vector<Neighbour> all = heard_at(workspace_, at, **air);
                if (all.empty())
                    return workspace_.tell(tr("Nothing with a level was heard in the capture"), true);
                const std::size_t without = (*air)->radios.size() - all.size();
                use(std::move(all));
                if (without > 0)
                    workspace_.tell(counted("%n radio without a level is left out",
                                            "%n radios without a level are left out", without));
                return;
            }
            use(std::get<std::vector<Neighbour>>(std::move(heard)));
        },
        [this](const QString& why) { workspace_.tell(why, true); }));
}

void NeighboursFeature::ask_to_read(ListeningPlaceId id) {
    const QString file = shell_.asking().open_file(tr("Read what was heard"),
                                                   tr("Captures and tables (*.pcap *.pcapng *.cap *.csv)"));
    const Floor* floor = workspace_.floor();
    const ListeningPlace* place = floor ? find_listening_place(*floor, id) : nullptr;
    if (file.isEmpty() || !place) return;
    read(file, place->position,
         [this, id](std::vector<Neighbour> heard) { add_heard(workspace_, id, std::move(heard)); });
}

void NeighboursFeature::ask_to_write(ListeningPlaceId id) {
    const Floor* floor = workspace_.floor();
    const ListeningPlace* place = floor ? find_listening_place(*floor, id) : nullptr;
    if (!place) return;
    const QString file = shell_.asking().save_file(
        tr("Write what was heard"), QString::fromStdString(place->name) + ".csv", tr("Tables (*.csv)"));
    if (file.isEmpty()) return;
    QSaveFile out(file);
    const std::string text = neighbours_to_csv(place->heard);
    const auto size = static_cast<qint64>(text.size());
    if (!out.open(QIODevice::WriteOnly) || out.write(text.data(), size) != size || !out.commit())
        return workspace_.tell(
            tr("%1 could not be written: %2").arg(QFileInfo(file).fileName(), out.errorString()), true);
    workspace_.tell(counted("Wrote %n row", "Wrote %n rows", place->heard.size()));
}

}  // namespace yemvo::app
