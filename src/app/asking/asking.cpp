// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/asking/asking.h"

#include <QCheckBox>
#include <QDialog>
#include <QFileDialog>
#include <QFileInfo>
#include <QHBoxLayout>
#include <QInputDialog>
#include <QLabel>
#include <QListWidget>
#include <QMessageBox>
#include <QPushButton>
#include <QVBoxLayout>

#include "render/tr.h"

namespace yemvo::app {

namespace {

std::optional<FloorParts> ask_what_comes_along(QWidget* window, const QString& floor) {
    QDialog dialog(window);
    dialog.setWindowTitle(tr("Duplicate %1").arg(floor));
    auto* column = new QVBoxLayout(&dialog);
    auto* head = new QLabel(tr("A copy of %1 above it, with").arg(floor));
    head->setObjectName("head");
    column->addWidget(head);
    FloorParts parts;
    const std::pair<QString, bool FloorParts::*> rows[] = {
        {tr("Walls, doors and windows"), &FloorParts::walls},
        {tr("Zones"), &FloorParts::zones},
        {tr("Voids of the slab"), &FloorParts::voids},
        {tr("Drawings"), &FloorParts::drawings},
        {tr("Access points"), &FloorParts::access_points}};
    for (const auto& [words, part] : rows) {
        auto* box = new QCheckBox(words);
        box->setChecked(parts.*part);
        QObject::connect(box, &QCheckBox::toggled, &dialog,
                         [&parts, part = part](bool on) { parts.*part = on; });
        column->addWidget(box);
    }
    auto* buttons = new QHBoxLayout;
    auto* cancel = new QPushButton(tr("Cancel"));
    auto* accept = new QPushButton(tr("Duplicate"));
    accept->setObjectName("main");
    accept->setDefault(true);
    buttons->addStretch(1);
    buttons->addWidget(cancel);
    buttons->addWidget(accept);
    column->addSpacing(6);
    column->addLayout(buttons);
    QObject::connect(cancel, &QPushButton::clicked, &dialog, &QDialog::reject);
    QObject::connect(accept, &QPushButton::clicked, &dialog, &QDialog::accept);
    if (dialog.exec() != QDialog::Accepted) return std::nullopt;
    return parts;
}

Asking::OnDisk ask_about_changed_file(QWidget* window, const QString& file, const QStringList& differences) {
    QDialog dialog(window);
    dialog.setWindowTitle(tr("Changed on disk"));
    dialog.setMinimumWidth(520);
    auto* column = new QVBoxLayout(&dialog);
    auto* head =
        new QLabel(tr("%1 was changed on disk since it was opened here").arg(QFileInfo(file).fileName()));
    head->setObjectName("head");
    head->setWordWrap(true);
    column->addWidget(head);
    auto* words = new QLabel(differences.isEmpty() ? tr("It holds the same project as this window.")
                                                   : tr("From this window to the file on disk:"));
    words->setObjectName("muted");
    column->addWidget(words);
    if (!differences.isEmpty()) {
        auto* list = new QListWidget;
        list->setObjectName("differences");
        list->addItems(differences);
        list->setSelectionMode(QAbstractItemView::NoSelection);
        list->setMinimumHeight(130);
        column->addWidget(list, 1);
    }
    auto* buttons = new QHBoxLayout;
    Asking::OnDisk chosen = Asking::OnDisk::cancel;
    const auto offer = [&](const QString& name, const char* object, Asking::OnDisk choice,
                           const QString& tip) {
        auto* button = new QPushButton(name);
        button->setObjectName(object);
        button->setToolTip(tip);
        QObject::connect(button, &QPushButton::clicked, &dialog, [&dialog, &chosen, choice] {
            chosen = choice;
            dialog.accept();
        });
        buttons->addWidget(button);
        return button;
    };
    offer(tr("Reload"), "reloadFile", Asking::OnDisk::reload,
          tr("Open what is on disk; this window's unsaved edits are given up"));
    offer(tr("Write over it"), "writeOver", Asking::OnDisk::write_over,
          tr("Save this window's project; what is on disk is kept as an earlier version"));
    buttons->addStretch(1);
    offer(tr("Cancel"), "cancelSave", Asking::OnDisk::cancel, "");
    auto* beside = offer(tr("Save beside…"), "main", Asking::OnDisk::save_beside,
                         tr("Save this window's project under another name"));
    beside->setDefault(true);
    column->addSpacing(6);
    column->addLayout(buttons);
    dialog.exec();
    return chosen;
}

bool ask_yes(QWidget* window, const QString& question, const QString& words, const QString& yes) {
    QMessageBox box(QMessageBox::NoIcon, "Yemvo", question, {}, window);
    box.setInformativeText(words);
    auto* go = box.addButton(yes, QMessageBox::DestructiveRole);
    box.setDefaultButton(box.addButton(tr("Cancel"), QMessageBox::RejectRole));
    box.exec();
    return box.clickedButton() == go;
}

}  // namespace

Asking ask_by_dialogs(QWidget* window) {
    Asking a;
    a.open_file = [window](const QString& title, const QString& filter) {
        return QFileDialog::getOpenFileName(window, title, {}, filter);
    };
    a.save_file = [window](const QString& title, const QString& proposed, const QString& filter) {
        return QFileDialog::getSaveFileName(window, title, proposed, filter);
    };
    a.folder = [window](const QString& title) { return QFileDialog::getExistingDirectory(window, title); };
    a.unsaved = [window](const QString& project) {
        QMessageBox box(QMessageBox::NoIcon, "Yemvo", tr("Save the changes to %1?").arg(project), {}, window);
        auto* save = box.addButton(tr("Save"), QMessageBox::AcceptRole);
        auto* discard = box.addButton(tr("Do not save"), QMessageBox::DestructiveRole);
        box.addButton(tr("Cancel"), QMessageBox::RejectRole);
        box.setDefaultButton(save);
        box.exec();
        if (box.clickedButton() == save) return Asking::Unsaved::save;
        return box.clickedButton() == discard ? Asking::Unsaved::discard : Asking::Unsaved::cancel;
    };
    a.tell_failure = [window](const QString& title, const QString& message) {
        QMessageBox(QMessageBox::NoIcon, title, message, QMessageBox::Ok, window).exec();
    };
    a.overwrite = [window](const QString& file) {
        return ask_yes(window, tr("Replace %1?").arg(QFileInfo(file).fileName()),
                       tr("A file of that name is there already. It will be kept as an earlier version."),
                       tr("Replace"));
    };
    a.changed_on_disk = [window](const QString& file, const QStringList& differences) {
        return ask_about_changed_file(window, file, differences);
    };
    a.throw_away = [window](const QString& project) {
        return ask_yes(window, tr("Discard the unsaved work on %1?").arg(project),
                       tr("It stays among the earlier versions for 30 days."), tr("Discard"));
    };
    a.name = [window](const QString& title, const QString& proposed) {
        return QInputDialog::getText(window, title, tr("Name"), QLineEdit::Normal, proposed).trimmed();
    };
    a.duplicate = [window](const QString& floor) { return ask_what_comes_along(window, floor); };
    return a;
}

}  // namespace yemvo::app
