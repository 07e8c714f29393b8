// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/drawings/opened_file.h"

#include <QFileInfo>
#include <filesystem>
#include <fstream>

#include "exchange/dxf_reader.h"

namespace yemvo::app {
namespace {

constexpr std::uintmax_t largest_bytes = 300'000'000;

Bytes read_file(const QString& file, const std::string& name) {
    const std::filesystem::path path = file.toStdString();
    std::error_code fault;
    if (std::filesystem::is_directory(path, fault))
        throw Error(say("is a folder"), name, say("Choose a drawing in it"));
    const auto size = std::filesystem::file_size(path, fault);
    if (fault)
        throw Error(say("cannot be read"), name, say("Check that the file exists and that you may read it"));
    if (size > largest_bytes)
        throw Error(say("is larger than 300 MB"), name, say("Export a smaller drawing"));
    Bytes bytes(size);
    std::ifstream in(path, std::ios::binary);
    if (!in.read(reinterpret_cast<char*>(bytes.data()), static_cast<std::streamsize>(size)))
        throw Error(say("cannot be read"), name, say("Check that the file exists and that you may read it"));
    return bytes;
}

OpenedFile open_bytes(std::string name, Shared<Bytes> bytes, int page, const CancelToken& cancel) {
    OpenedFile opened;
    opened.source.kind = render::kind_of_file(*bytes, name);
    opened.source.page = page;
    const std::shared_ptr<const Bytes> held(&*bytes, [bytes](const Bytes*) {});
    opened.sheet = render::open_sheet(held, opened.source.kind, page, name, cancel);
    opened.source.sheet = opened.sheet->box();
    if (const CadDrawing* cad = opened.sheet->cad()) opened.source.hidden_layers = hidden_in_file(*cad);
    opened.name = std::move(name);
    opened.bytes = std::move(bytes);
    return opened;
}

}  // namespace

OpenedFile open_drawing(const QString& file, const CancelToken& cancel) {
    const std::string name = QFileInfo(file).fileName().toStdString();
    return open_drawing(name, Shared<Bytes>(read_file(file, name)), 0, cancel);
}

OpenedFile open_drawing(const std::string& name, const Shared<Bytes>& bytes, int page,
                        const CancelToken& cancel) {
    return open_bytes(name, bytes, page, cancel);
}

}  // namespace yemvo::app
